<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;

/** The limits, words, colours and classes of one country's practice: data that name PHP formulas. */
final readonly class RuleSet
{
    /** @param list<Limit> $limits */
    private function __construct(public string $slug, public string $name, private array $limits, public Attributes $data)
    {
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @throws HouseError naming the entry that is wrong
     */
    public static function fromArray(array $raw): self
    {
        $data = new Attributes($raw, '');
        $limits = [];
        foreach ($data->map('limits') as $entry) {
            $limits[] = Limit::read($entry);
        }

        return new self($data->string('slug'), $data->string('name'), $limits, $data);
    }

    /** @return list<Judgement> what every limit that applies says of a reading */
    public function judge(House $house, Measurement $measurement, Reading $reading): array
    {
        $judgements = [];
        foreach ($this->limits as $limit) {
            if ($limit->appliesTo($house, $measurement)) {
                $judgement = $limit->judge($house, $measurement, $reading);
                if (null !== $judgement) {
                    $judgements[] = $judgement;
                }
            }
        }

        return $judgements;
    }

    /**
     * What this practice calls things: a neutral key => its word.
     *
     * @return array<string, string>
     */
    public function words(): array
    {
        $words = [];
        foreach ($this->data->object('words')->raw as $key => $_) {
            $words[(string) $key] = $this->data->object('words')->string((string) $key);
        }

        return $words;
    }

    /** @return list<string> what has to be said of all work under these rules */
    public function cautions(): array
    {
        return $this->data->strings('cautions');
    }

    /** @return array{required: list<string>, diagnostic: list<string>} settings of the residual tester */
    public function residualTests(): array
    {
        $tests = $this->data->object('residualTests');

        return ['required' => $tests->strings('required'), 'diagnostic' => $tests->strings('diagnostic')];
    }

    /** The words of a class, such as "potentially dangerous" for P. */
    public function class(string $class): string
    {
        return $this->data->object('classes')->string($class);
    }

    /**
     * The colour a conductor of a role is drawn in.
     *
     * @return array<string, string> role => CSS colour
     */
    public function colours(): array
    {
        return array_map(static fn (Attributes $colour): string => $colour->string('drawn'), $this->data->map('colours'));
    }

    /** @return array<string, string> letter of every class => words, gravest first */
    public function classes(): array
    {
        $classes = [];
        foreach (array_keys($this->data->object('classes')->raw) as $class) {
            $classes[(string) $class] = $this->data->object('classes')->string((string) $class);
        }

        return $classes;
    }
}
