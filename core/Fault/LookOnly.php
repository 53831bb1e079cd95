<?php

declare(strict_types=1);

namespace YellowProbe\Fault;

use YellowProbe\Installation\BoardEnds;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Part\PartKinds;

/**
 * What no reading can prove: found by looking, asking or judging the survey. It changes nothing in the network; it is
 * evidence and prior only.
 */
final readonly class LookOnly extends NamedFault
{
    /** @param string $where the kind of site: a part kind, or "board", "circuit", "outdoors", "house" */
    private function __construct(string $slug, string $words, string $class, private string $where)
    {
        parent::__construct($slug, $words, $class);
    }

    /** @return list<self> */
    public static function all(): array
    {
        return [
            new self('jumper-undersized', 'Jumper smaller than the devices it feeds', 'P', 'board'),
            new self('breaker-oversized', 'Breaker larger than its cable allows', 'P', 'circuit'),
            new self('rcd-wrong-type', 'Residual device of the wrong type for its load', 'I', 'residual-device'),
            new self('rcd-dc-blinded', 'Residual device blinded by direct current', 'P', 'residual-device'),
            new self('rcd-backfed', 'One-direction residual device fed from its load side', 'P', 'residual-device'),
            new self('functional-earth-off', 'Functional earth not connected', 'I', 'rcbo'),
            new self('transient-trip', 'Tripped by a transient', 'I', 'house'),
            new self('lamp-mismatch', 'Lamp and dimmer, or lamp and switch, that do not suit each other', 'I', 'light'),
            new self('two-circuits-one-box', 'Two circuits in one box or cable', 'I', 'house'),
            new self('buried-splice', 'Joint of a kind not permitted, or without a box', 'P', 'circuit'),
            new self('bare-neutral', 'Bare or earth-coloured core used as neutral', 'P', 'circuit'),
            new self('outdoor-accessory', 'Indoor or worn accessory outdoors', 'P', 'outdoors'),
            new self('board-workmanship', 'Workmanship of the board', 'I', 'board'),
            new self('no-residual-protection', 'No residual protection where it is wanted', 'I', 'circuit'),
        ];
    }

    public function nature(): FaultNature
    {
        return FaultNature::LookOnly;
    }

    public function sites(House $house): array
    {
        $sites = [];
        if ('house' === $this->where) {
            return [new FaultSite('house', [], [], '')];
        }
        if ('circuit' === $this->where) {
            foreach (BoardEnds::circuits($house) as $circuit) {
                $sites[] = new FaultSite($circuit, [], [], "on {$house->circuits[$circuit]->name}");
            }

            return $sites;
        }
        $places = $house->places;
        ksort($places);
        foreach ($places as $place) {
            if ($this->where === $place->kind || ('outdoors' === $this->where && $place->attributes->flag('outdoors', false))) {
                $sites[] = new FaultSite($place->id, [], [$place->id], "at $place->name");
            }
        }
        foreach (null === PartKinds::get($this->where) ? [] : $house->partsOfKind($this->where) as $part) {
            $sites[] = new FaultSite($part->id, [], [$part->place], "at $part->name");
        }

        return $sites;
    }

    public function change(House $house, FaultSite $site, float $ohms): Change
    {
        return new Change();
    }
}
