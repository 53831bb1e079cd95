<?php

declare(strict_types=1);

namespace YellowProbe\Instrument;

use YellowProbe\Installation\Attributes;
use YellowProbe\Installation\House;
use YellowProbe\Installation\HouseError;
use YellowProbe\Installation\HouseNetwork;
use YellowProbe\Installation\State;

/** Where a tester is put: its leads on terminals, or its jaw around conductors, each with its direction. */
final readonly class Connection
{
    /**
     * @param list<string> $terminals one for each lead, the return lead last
     * @param list<string> $around    "+element" or "-element": a core counted from its end 1 to 2, or the other way
     */
    private function __construct(public array $terminals, public array $around)
    {
    }

    /** The part that the first of what it is around belongs to: the device that is watched, or made to act; empty when it is around nothing. */
    public function device(): string
    {
        return explode('/', substr($this->around[0] ?? '', 1))[0];
    }

    /**
     * Landed joints with a lead on the conductor's side of them. A tester for dead conductors is not put there: what it reads
     * of a conductor is read off its loose end.
     *
     * @return list<string>
     */
    public function probed(House $house, State $state, Instrument $instrument): array
    {
        // What a joint turns into heat is its own and not its conductor's.
        $seen = $instrument instanceof HeatInstrument ? array_values(array_filter(array_map(static fn (string $signed): string => substr($signed, 1), $this->around), static fn (string $element): bool => null !== $house->joint($element))) : [];

        return $instrument->deadOnly() ? [] : array_values(array_filter([...$this->terminals, ...$seen], static fn (string $terminal): bool => null !== ($landed = $house->joint($terminal)) && null !== $landed[0]->ends[$landed[1] - 1] && !$state->isLifted($terminal)));
    }

    public static function leads(string ...$terminals): self
    {
        return new self(array_values($terminals), []);
    }

    public static function around(string ...$elements): self
    {
        return new self([], array_values($elements));
    }

    /**
     * Leads on terminals, with the poles of the device that the tester makes act.
     *
     * @param list<string> $terminals
     * @param list<string> $poles
     */
    public static function acting(array $terminals, array $poles): self
    {
        return new self($terminals, $poles);
    }

    /**
     * @param array<array-key, mixed> $raw {terminals: [...]} or {around: [...]}
     *
     * @throws HouseError when it names something the house does not hold or does not suit the tester
     */
    public static function read(array $raw, Instrument $instrument, House $house, string $path = ''): self
    {
        $attributes = new Attributes($raw, $path);
        $connection = new self($attributes->strings('terminals'), $attributes->strings('around'));
        $wanted = \count($instrument->leads());
        $acts = $instrument instanceof ResidualTester;
        if (\count($connection->terminals) !== $wanted || (0 === $wanted || $acts) !== ([] !== $connection->around)) {
            throw new HouseError("$path/terminals", $acts && $wanted === \count($connection->terminals) ? 'Name the device it acts on: its poles as "+device/L" and "+device/N" in "around".' : (0 === $wanted ? \sprintf('%s goes around conductors: give "around" and no terminals.', $instrument->words()) : \sprintf('%s has %d leads (%s): give one terminal for each.', $instrument->words(), $wanted, implode(', ', $instrument->leads()))));
        }
        foreach ($connection->terminals as $at => $terminal) {
            if (HouseNetwork::GROUND !== $terminal && !$house->hasTerminal($terminal) && null === $house->joint($terminal)) {
                throw new HouseError("$path/terminals/$at", \sprintf('There is no terminal "%s" in this house.', $terminal));
            }
        }
        if (\count(array_unique($connection->terminals)) !== \count($connection->terminals)) {
            throw new HouseError("$path/terminals", 'Two leads are on one terminal: move one of them.');
        }
        foreach ($connection->around as $at => $element) {
            [$owner, $key] = explode('/', substr($element, 1), 2) + [1 => ''];
            $core = preg_replace('/^([^@-]+)(-[^@-]+)?@[12]$/', '$1', $key) ?? '';
            $known = isset($house->cables[$owner]->cores[$core]) || isset($house->parts[$owner]);
            if (!$known || !\in_array($element[0] ?? '', ['+', '-'], true)) {
                throw new HouseError("$path/around/$at", \sprintf('There is no conductor "%s"; write "+cable/core".', $element));
            }
        }

        return $connection;
    }

    /** @return array{terminals: list<string>, around: list<string>} */
    public function toArray(): array
    {
        return ['terminals' => $this->terminals, 'around' => $this->around];
    }
}
