<?php

declare(strict_types=1);

namespace App\Record;

use App\Words\Say;
use YellowProbe\Installation\House;
use YellowProbe\Words\Message;

/** Gathers what a line of the record holds beside its sentence; what is empty is left out. */
final class Facts
{
    /** @var list<array{string, string}> */
    private array $facts = [];

    public function __construct(private readonly Say $say, private readonly ?House $house)
    {
    }

    public function rules(): string
    {
        return $this->house->ruleSet ?? Say::USUAL_RULES;
    }

    /** @param array<string, string|int|float|Message|list<Message>> $with */
    public function say(string $key, array $with = []): string
    {
        return $this->say->of(new Message($key, $with), $this->rules());
    }

    /** A label of the catalogue with its value. */
    public function add(string $label, string|int|float|null $value): self
    {
        if (null !== $value && '' !== trim((string) $value)) {
            $this->facts[] = [$this->say("fact.$label"), (string) $value];
        }

        return $this;
    }

    /** @param list<string> $values */
    public function list(string $label, array $values): self
    {
        return $this->add($label, implode('; ', array_filter($values, static fn (string $value): bool => '' !== trim($value))));
    }

    public function flag(string $label, bool $is): self
    {
        return $is ? $this->add($label, $this->say('fact.yes')) : $this;
    }

    /** A part, place or circuit by its name. */
    public function name(string $id): string
    {
        return $this->house->parts[$id]->name ?? $this->house->places[$id]->name ?? $this->house->circuits[$id]->name ?? $this->say('record.gone');
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string>
     */
    public function names(array $ids): array
    {
        return array_map($this->name(...), $ids);
    }

    public function house(): ?House
    {
        return $this->house;
    }

    /** @return list<array{string, string}> */
    public function all(): array
    {
        return $this->facts;
    }
}
