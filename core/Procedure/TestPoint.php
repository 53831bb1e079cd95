<?php

declare(strict_types=1);

namespace YellowProbe\Procedure;

use YellowProbe\Installation\House;
use YellowProbe\Installation\Known;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Part\LightSwitch;
use YellowProbe\Installation\Part\Outlets;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Installation\StateChange;

/**
 * Where a tester is put on a circuit: the contacts of an outlet, or, behind its cover, the terminals of a light, its
 * switch, a joint box or an appliance that is wired. Only what is wired has a contact: L, N, E, and SL where a light's switched line is
 * another terminal than its line.
 */
final readonly class TestPoint
{
    /** From here an appliance is as good a load as the heater that is plugged in elsewhere. */
    private const HEAVY_WATTS = 2000.0;

    /**
     * @param string                $id       stable in data: "part.outlet", or the part's own
     * @param string|null           $outlet   null behind a cover
     * @param array<string, string> $contacts pole => terminal
     * @param State                 $live     the house at rest, what leads to the point switched on
     */
    private function __construct(public string $id, public Part $part, public ?string $outlet, public array $contacts, public State $live)
    {
    }

    /** @return list<self> of a house, its outlets first */
    public static function all(House $house): array
    {
        return Known::once($house, 'test points', static fn (): array => self::found($house));
    }

    /** @return list<self> */
    private static function found(House $house): array
    {
        $points = [];
        foreach (Outlets::all($house) as [$part, $outlet]) {
            $contacts = [];
            foreach (['L', 'N', 'E'] as $pole) {
                $contacts[$pole] = $part->terminal("$outlet-$pole");
            }
            $points[] = new self("$part->id.$outlet", $part, $outlet, $contacts, States::outletOn($house, $part, $outlet));
        }
        foreach ([...Outlets::points($house), ...$house->partsOfKind('switch')] as $part) {
            // Without a circuit it has no board end: a box between two boards, a part not wired yet.
            if (!\in_array($part->kind, Outlets::KINDS, true) && null !== $house->circuitOfPart($part->id)) {
                $points[] = self::covered($house, $part);
            }
        }

        return $points;
    }

    /** Named as an instruction names it, with the cover that is in the way. */
    public function words(): string
    {
        return $this->part->name.(null === $this->outlet ? ', its cover off' : '');
    }

    /** Live, with 2 kW or more drawn at this point; null where nothing draws so much and nothing can be plugged in. */
    public function loaded(): ?State
    {
        return match (true) {
            null !== $this->outlet => $this->live->after(States::heaterIn($this->part, $this->outlet)),
            'appliance' === $this->part->kind && $this->part->attributes->positive('watts', 0.0) >= self::HEAVY_WATTS => $this->live->after(new StateChange('load', $this->part->id, 'on')),
            default => null,
        };
    }

    /** Live, with whatever this point can draw: 2 kW, or the lamp of a light; null where it draws nothing. */
    public function drawing(): ?State
    {
        return $this->loaded() ?? ('light' === $this->part->kind ? $this->live : null);
    }

    /** What {@see drawing()} asks for, said elsewhere than at the point. */
    public function loadWords(): string
    {
        return null === $this->outlet ? "{$this->part->name} on" : "2 kW on at {$this->part->name}";
    }

    private static function isFed(House $house, string $terminal): bool
    {
        return [] !== array_filter($house->wiring->landedOn($terminal), static fn (array $landing): bool => Role::Line === $landing[0]->role);
    }

    private static function covered(House $house, Part $part): self
    {
        [$poles, $leading] = match ($part->kind) {
            'light' => [['L' => 'L', 'N' => 'N', 'E' => 'E', 'SL' => 'SL'], States::lightOn($part)],
            // Of two two-way switches the line lands on one only, and what is switched is live in one position of the other.
            'switch' => LightSwitch::isTwoWay($part) ? [array_filter(['L' => 'COM', 'E' => 'E'], static fn (string $key): bool => 'E' === $key || self::isFed($house, $part->terminal($key))), []] : [['L' => 'COM', 'E' => 'E', 'SL' => 'L1'], [new StateChange('set', $part->id, 'on')]],
            default => [['L' => 'L', 'N' => 'N', 'E' => 'E'], []],
        };
        $contacts = array_filter(array_map($part->terminal(...), $poles), static fn (string $terminal): bool => [] !== $house->wiring->landedOn($terminal));
        // Fed from its switch, a light has no line but the switched one.
        if (!isset($contacts['L']) && isset($contacts['SL'])) {
            $contacts = ['L' => $contacts['SL']] + $contacts;
            unset($contacts['SL']);
        }

        return new self($part->id, $part, null, $contacts, State::resting($house)->after(...$leading));
    }
}
