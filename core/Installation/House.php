<?php

declare(strict_types=1);

namespace YellowProbe\Installation;

use YellowProbe\Installation\Part\PartKinds;

/**
 * A house as a document describes it: places, parts with terminals, cables with cores, circuits, all by opaque id.
 *
 * The order of ids means nothing; what has an order carries a "position". Faults never live here.
 */
final readonly class House
{
    public const FORMAT = 'yellow-probe/house/1';

    /** Terminals that a protective device is fed on. */
    private const INCOMING = ['in', 'Lin', 'in1', 'in2', 'line-L'];

    /**
     * @param array<string, Place>    $places
     * @param array<string, Part>     $parts
     * @param array<string, Cable>    $cables
     * @param array<string, Circuit>  $circuits
     * @param array<string, Terminal> $terminals
     * @param array<string, mixed>    $document as it was read
     */
    private function __construct(
        public string $name,
        public string $ruleSet,
        public array $places,
        public array $parts,
        public array $cables,
        public array $circuits,
        public array $terminals,
        public Attributes $rest,
        public Wiring $wiring,
        public array $document,
    ) {
    }

    /**
     * @param array<string, mixed> $document
     *
     * @throws HouseError for a house that cannot exist
     */
    public static function fromDocument(array $document): self
    {
        $root = new Attributes($document, '');
        if (self::FORMAT !== $root->string('format', '')) {
            throw new HouseError('/format', \sprintf('Expected "%s".', self::FORMAT));
        }
        $places = $parts = $cables = $circuits = $terminals = [];
        foreach ($root->named('places') as $id => $place) {
            $places[$id] = new Place($id, $place->string('kind'), $place->string('name', $id), $place->string('room', ''), $place);
        }
        foreach ($root->named('parts') as $id => $raw) {
            $part = new Part($id, $raw->string('kind'), $raw->string('place'), $raw->string('name', $id), $raw);
            if (!isset($places[$part->place])) {
                throw new HouseError("/parts/$id/place", \sprintf('There is no place "%s".', $part->place));
            }
            $parts[$id] = $part;
            $kind = PartKinds::get($part->kind) ?? throw new HouseError("/parts/$id/kind", \sprintf('No kind of part is called "%s"; known are %s.', $part->kind, implode(', ', PartKinds::slugs())));
            foreach ($kind->terminals($part) as $key => [$role, $access]) {
                $terminals["$id.$key"] = new Terminal("$id.$key", $id, $key, $role, $access);
            }
        }
        foreach ($root->named('circuits') as $id => $raw) {
            $circuit = new Circuit($id, $raw->string('name', $id), $raw->string('way'), $raw->string('claim', 'radial'), (int) $raw->number('position', 0.0), $raw);
            if (!isset($parts[$circuit->way])) {
                throw new HouseError("/circuits/$id/way", \sprintf('There is no part "%s" for this circuit to start from.', $circuit->way));
            }
            $circuits[$id] = $circuit;
        }
        foreach ($root->named('cables') as $id => $raw) {
            if (isset($parts[$id])) {
                throw new HouseError("/cables/$id", \sprintf('"%s" is a part already: give this cable an id of its own.', $id));
            }
            $cables[$id] = self::cable($id, $raw, $terminals, $circuits);
        }

        $wiring = Wiring::of($places, $parts, $cables, $circuits, $terminals);
        foreach ($circuits as $circuit) {
            self::assertFed($circuit, $parts[$circuit->way], $wiring, $terminals);
        }

        return new self($root->string('name', ''), $root->string('ruleSet', 'A'), $places, $parts, $cables, $circuits, $terminals, $root->object('rest'), $wiring, $document);
    }

    public function hasTerminal(string $id): bool
    {
        return isset($this->terminals[$id]);
    }

    public function partOf(string $terminal): Part
    {
        return $this->parts[($this->terminals[$terminal] ?? throw new HouseError('', \sprintf('There is no terminal "%s" in this house.', $terminal)))->part];
    }

    /**
     * @return list<Part> in the order of their ids
     *
     * @throws \LogicException for a kind that does not exist: asking for it would silently find nothing
     */
    public function partsOfKind(string ...$kinds): array
    {
        foreach ($kinds as $kind) {
            null !== PartKinds::get($kind) || throw new \LogicException(\sprintf('No kind of part is called "%s".', $kind));
        }
        $found = array_merge(...array_map(fn (string $kind): array => $this->byKind()[$kind] ?? [], $kinds));
        ksort($found);

        return array_values($found);
    }

    /** @return array<string, array<string, Part>> kind => id => part */
    private function byKind(): array
    {
        return Known::once($this, 'parts by kind', function (): array {
            $kinds = [];
            foreach ($this->parts as $part) {
                $kinds[$part->kind][$part->id] = $part;
            }

            return $kinds;
        });
    }

    /**
     * The core whose joint this is, with the end.
     *
     * @return array{Core, 1|2}|null
     */
    public function joint(string $joint): ?array
    {
        if (1 !== preg_match('#^([^/@]+)/([^/@]+)@([12])$#', $joint, $match)) {
            return null;
        }
        $core = ($this->cables[$match[1]] ?? null)?->cores[$match[2]] ?? null;

        return null === $core ? null : [$core, '1' === $match[3] ? 1 : 2];
    }

    /** The circuit a part is wired to, plugged into, or the start of; null for the parts all circuits share. */
    public function circuitOfPart(string $partId): ?string
    {
        $part = $this->parts[$partId] ?? null;
        $plug = null === $part ? '' : $part->attributes->string('pluggedInto', '');
        if ('' !== $plug) {
            return $this->circuitOfPart(explode('.', $plug)[0]);
        }

        return $this->wiring->circuitOf($partId);
    }

    /** @return list<string> circuits that have something at a point; none at a board, which all circuits share, nor where nothing is */
    public function circuitsAt(string $place): array
    {
        $at = Known::once($this, 'circuits by place', function (): array {
            $circuits = [];
            foreach ($this->parts as $part) {
                $circuit = $this->circuitOfPart($part->id);
                if (null !== $circuit && 'point' === $this->places[$part->place]->kind) {
                    $circuits[$part->place][$circuit] = $circuit;
                }
            }

            return array_map(array_values(...), $circuits);
        });

        return $at[$place] ?? [];
    }

    /**
     * A device that feeds a circuit stands on a bar, or on a wire from one.
     *
     * @param array<string, Terminal> $terminals
     */
    private static function assertFed(Circuit $circuit, Part $way, Wiring $wiring, array $terminals): void
    {
        $ins = array_values(array_filter(self::INCOMING, static fn (string $key): bool => isset($terminals[$way->terminal($key)])));
        foreach ($ins as $key) {
            if ([] !== $wiring->landedOn($way->terminal($key))) {
                return;
            }
        }
        if ([] === $ins) {
            throw new HouseError("/circuits/$circuit->id/way", \sprintf('%s is no device that a circuit can begin at: give the one at the board that it is on.', $way->name));
        }
        throw new HouseError("/parts/$way->id", \sprintf('%s feeds %s and stands on no bar: land a wire from a bar, or from the device before it, on %s.', $way->name, $circuit->name, implode(' or ', array_map($way->terminal(...), $ins))));
    }

    /**
     * @param array<string, Terminal> $terminals
     * @param array<string, Circuit>  $circuits
     */
    private static function cable(string $id, Attributes $raw, array $terminals, array $circuits): Cable
    {
        $circuit = $raw->string('circuit', '');
        if ('' !== $circuit && !isset($circuits[$circuit])) {
            throw new HouseError("/cables/$id/circuit", \sprintf('There is no circuit "%s".', $circuit));
        }
        $length = $raw->quantity('lengthMetres', $raw->has('ohms') ? 0.0 : null);
        if (!is_finite($length->value) || $length->value < 0.0) {
            throw new HouseError("/cables/$id/lengthMetres", \sprintf('A length of %s m cannot exist; give 0 or more.', $length->value));
        }
        $cores = [];
        foreach ($raw->map('cores') as $key => $core) {
            $ends = $core->object('ends')->raw;
            $landed = [];
            foreach ([0, 1] as $at) {
                $end = $ends[$at] ?? null;
                if (null !== $end && (!\is_string($end) || !isset($terminals[$end]))) {
                    throw new HouseError("/cables/$id/cores/$key/ends/$at", \sprintf('There is no terminal "%s" to land on; write null for an end that lands nowhere.', \is_string($end) ? $end : get_debug_type($end)));
                }
                $landed[] = $end;
            }
            $role = Role::tryFrom($core->string('role', $key)) ?? throw new HouseError("/cables/$id/cores/$key/role", 'Expected one of L, N, E, SL, L1, L2.');
            $cores[$key] = new Core($id, $key, $role, [$landed[0], $landed[1]]);
        }

        return new Cable($id, $raw->string('kind', 'flat'), '' === $circuit ? null : $circuit, $length, $cores, $raw);
    }
}
