<?php

declare(strict_types=1);

namespace YellowProbe\Rules;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\Role;
use YellowProbe\Instrument\InsulationTester;
use YellowProbe\Instrument\Measurement;
use YellowProbe\Instrument\Reading;
use YellowProbe\Instrument\ResidualTester;

/** One limit of a rule set: to which readings it applies, by which formula it judges, and where it comes from. */
final readonly class Limit
{
    /**
     * @param list<Measured> $measures
     * @param list<string>   $roles           sorted roles of the terminals probed; empty for a clamp
     * @param list<int>      $testVolts       of an insulation test; empty for any
     * @param bool           $linked          for readings with a test link fitted
     * @param bool           $atOrigin        for readings at the incoming terminals of the supply, and only there
     * @param bool           $earthLifted     for readings on an earthing conductor that is out of its terminal
     * @param bool           $betweenCircuits for readings from one circuit to another; the two ends of one are no such thing
     */
    private function __construct(private string $name, private array $measures, private array $roles, private array $testVolts, private bool $linked, private bool $atOrigin, private bool $earthLifted, private bool $betweenCircuits, private Formula $formula, private Attributes $parameters, private string $source)
    {
    }

    public static function read(Attributes $entry): self
    {
        $slug = $entry->string('formula');
        $formula = Formulas::get($slug) ?? throw new HouseError("$entry->path/formula", \sprintf('No formula is called "%s"; known are %s.', $slug, implode(', ', Formulas::slugs())));
        $roles = $entry->strings('roles');
        sort($roles);
        $measures = array_map(static fn (string $measured): Measured => Measured::tryFrom($measured) ?? throw new HouseError("$entry->path/measures", \sprintf('Nothing is measured that is called "%s"; known are %s.', $measured, implode(', ', array_column(Measured::cases(), 'value')))), $entry->strings('measures'));
        $volts = array_map(static fn (mixed $each): int => \is_int($each) ? $each : throw new HouseError("$entry->path/testVolts", 'Expected whole volts, such as 250.'), array_values($entry->object('testVolts')->raw));

        return new self($entry->string('name'), $measures, $roles, $volts, $entry->flag('linked', false), $entry->flag('atOrigin', false), $entry->flag('earthLifted', false), $entry->flag('betweenCircuits', false), $formula, $entry->object('parameters'), $entry->string('source'));
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
        $instrument = $measurement->instrument;

        return \in_array(Measured::by($instrument), $this->measures, true)
            && $roles === $this->roles
            && (!$instrument instanceof ResidualTester || !$this->parameters->has('multiple') || $this->parameters->number('multiple') === $instrument->multiple)
            && ([] === $this->testVolts || ($instrument instanceof InsulationTester && \in_array((int) $instrument->excitation()->directVolts, $this->testVolts, true)))
            && $this->linked === ([] !== $measurement->state->links)
            && $this->atOrigin === self::isAtOrigin($house, $measurement)
            && (!$this->earthLifted || [] !== array_filter($measurement->connection->terminals, $measurement->state->isLifted(...)))
            && (!$this->betweenCircuits || \count($measurement->circuits($house)) > 1);
    }

    private static function isAtOrigin(House $house, Measurement $measurement): bool
    {
        if (Measured::Loop !== Measured::by($measurement->instrument)) {
            return false;
        }
        foreach ($measurement->connection->terminals as $terminal) {
            if ($house->hasTerminal($terminal) && 'service' === $house->partOf($terminal)->kind) {
                return true;
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
