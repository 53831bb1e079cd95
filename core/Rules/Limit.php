<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Role;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;

/** One limit of a rule set: to which readings it applies, by which formula it judges, and where it comes from. */
final readonly class Limit
{
    /**
     * @param list<string> $instruments
     * @param list<string> $roles       sorted roles of the terminals probed; empty for a clamp
     * @param bool         $linked      for readings with a test link fitted
     * @param bool         $atOrigin    for readings at the incoming terminals of the supply, and only there
     */
    private function __construct(private string $name, private array $instruments, private array $roles, private bool $linked, private bool $atOrigin, private Formula $formula, private Attributes $parameters, private string $source)
    {
    }

    public static function read(Attributes $entry): self
    {
        $slug = $entry->string('formula');
        $formula = Formulas::get($slug) ?? throw new HouseError("$entry->path/formula", \sprintf('No formula is called "%s"; known are %s.', $slug, implode(', ', Formulas::slugs())));
        $roles = $entry->strings('roles');
        sort($roles);

        return new self($entry->string('name'), $entry->strings('instruments'), $roles, $entry->flag('linked', false), $entry->flag('atOrigin', false), $formula, $entry->object('parameters'), $entry->string('source'));
    }

    public function appliesTo(House $house, Measurement $measurement): bool
    {
        $roles = [];
        foreach ($measurement->connection->terminals as $terminal) {
            if (HouseNetwork::GROUND === $terminal) {
                $roles[] = 'ground';
                continue;
            }
            $joint = $house->joint($terminal);
            $role = null === $joint ? $house->terminals[$terminal]->role : $joint[0]->role;
            $roles[] = Role::SwitchedLine === $role ? 'L' : $role->value;
        }
        sort($roles);

        return \in_array($measurement->instrument->slug(), $this->instruments, true)
            && $roles === $this->roles
            && $this->linked === ([] !== $measurement->state->links)
            && $this->atOrigin === self::isAtOrigin($house, $measurement);
    }

    private static function isAtOrigin(House $house, Measurement $measurement): bool
    {
        foreach ($measurement->connection->terminals as $terminal) {
            if ($house->hasTerminal($terminal) && 'service' === $house->partOf($terminal)->kind && 'low-ohm' !== $measurement->instrument->slug()) {
                return !str_starts_with($measurement->instrument->slug(), 'voltmeter');
            }
        }

        return false;
    }

    public function judge(House $house, Measurement $measurement, Reading $reading): ?Judgement
    {
        $outcome = $this->formula->judge($this->parameters, $house, $measurement, $reading);

        return null === $outcome ? null : new Judgement($this->name, $outcome->verdict, $outcome->sentence, $outcome->working, $this->source);
    }
}
