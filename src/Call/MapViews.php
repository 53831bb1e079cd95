<?php

declare(strict_types=1);

namespace App\Call;

use App\Api\View\ClampView;
use App\Api\View\DeviceView;
use App\Api\View\ImmediateDangerView;
use App\Api\View\LoadView;
use App\Api\View\MapView;
use App\Api\View\ReturnView;
use App\Api\View\StopView;
use App\Api\View\WayView;
use App\Words\Say;
use YellowProbe\Diagnosis\Liveness;
use YellowProbe\Diagnosis\Ranking;
use YellowProbe\Installation\Finding;
use YellowProbe\Installation\Findings;
use YellowProbe\Installation\House;
use YellowProbe\Installation\Knowing;
use YellowProbe\Installation\LineMap;
use YellowProbe\Installation\Part;
use YellowProbe\Installation\Place;
use YellowProbe\Installation\Protection;
use YellowProbe\Installation\Ratings;
use YellowProbe\Installation\Role;
use YellowProbe\Installation\State;
use YellowProbe\Installation\Supply;
use YellowProbe\Procedure\ResidualClamp;
use YellowProbe\Procedure\States;
use YellowProbe\Rules\RuleSet;
use YellowProbe\Safety\ImmediateDanger;
use YellowProbe\Words\Message;

/** A house in a state as the line map draws it: ways in physical order, stops in the order they are wired. */
final readonly class MapViews
{
    /** Poles by which a protective device is watched. */
    private const WATCHED = ['residual-device' => ['L', 'N'], 'rcbo' => ['L', 'N'], 'residual-outlet' => ['L', 'N'], 'breaker' => ['L'], 'two-pole-breaker' => ['L1', 'L2']];

    private const CLAMPS = ['line and neutral' => [...ResidualClamp::LINES, Role::Neutral], 'line alone' => ResidualClamp::LINES, 'neutral alone' => [Role::Neutral], 'cpc alone' => [Role::Earth]];

    public function __construct(private IsolationViews $isolations, private Say $say)
    {
    }

    public function map(string $houseId, int $version, House $house, Journal $journal, Ranking $ranking, RuleSet $rules): MapView
    {
        $state = $journal->state();
        $controls = new Controls($house, $state);
        $main = States::mains($house)[0] ?? null;
        $service = $house->partsOfKind('service')[0] ?? null;

        return new MapView(
            $houseId,
            $version,
            $house->name,
            null === $service ? '' : Supply::of($house)->system.', '.Supply::of($house)->nominalVolts.' V',
            $main?->id,
            null !== $main && 'on' === $state->position($main->id, 'on'),
            Terminals::ofOrigin($house, $state),
            array_map(fn (string $circuit): WayView => $this->way($house, $state, $controls, $circuit), States::circuits($house)),
            array_map(static fn (Part $load): LoadView => new LoadView($load->id, $load->name, $state->load($load->id)), $house->partsOfKind('appliance', 'light')),
            array_map($controls->switch(...), $house->partsOfKind('switch')),
            array_map(static fn (Part $device): ClampView => new ClampView("$device->name: line and neutral", ["+$device->id/L", "+$device->id/N"]), $house->partsOfKind('residual-device', 'rcbo', 'residual-outlet')),
            (object) Liveness::of($house, $state, $ranking),
            (object) $rules->colours(),
            array_map(static fn (Finding $finding): string => $finding->words, Findings::of($house)),
            array_map(static fn (Part $device): ClampView => new ClampView($device->name, self::watch($device)), $house->partsOfKind(...array_keys(self::WATCHED))),
            $controls->links(),
            $this->isolations->levers($house, $journal),
            array_values(array_map(static fn (Place $place): DeviceView => new DeviceView($place->id, $place->name), array_filter($house->places, static fn (Place $place): bool => 'board' === $place->kind))),
            array_map(fn (ImmediateDanger $danger): ImmediateDangerView => $this->danger($house, $danger), ImmediateDanger::of($house, $ranking, $journal->story(), $state)),
        );
    }

    private function danger(House $house, ImmediateDanger $danger): ImmediateDangerView
    {
        $with = ['place' => isset($house->places[$danger->place]) ? $house->places[$danger->place]->name : 'none', 'devices' => implode(', ', array_map(static fn (Part $device): string => $device->name, $danger->devices)), 'count' => \count($danger->devices)];

        return new ImmediateDangerView($this->say->of(new Message("danger.$danger->kind", $with), $house->ruleSet), array_map(static fn (Part $device): DeviceView => new DeviceView($device->id, $device->name), $danger->devices));
    }

    private function way(House $house, State $state, Controls $controls, string $id): WayView
    {
        $circuit = $house->circuits[$id];
        $device = $house->parts[$circuit->way];
        $group = Protection::residualDevice($house, $id);
        $map = LineMap::of($house, $id);

        return new WayView(
            $id,
            $circuit->name,
            $device->id,
            $device->place,
            (Ratings::knownCurve($device) ?? '').(Ratings::knownAmperes($device) ?? '?'),
            $group?->id,
            null === $group ? '' : $group->name,
            'on' === $state->position($device->id, 'on'),
            Terminals::ofWay($house, $state, $id),
            array_map(fn (array $stop): StopView => $this->stop($house, $state, $controls, $stop), $map['stops']),
            array_map(static fn (array $return): ReturnView => new ReturnView($return['from'], $return['to']), $map['returns']),
            $map['ring'],
            array_values(array_filter(array_map(static fn (string $words, array $roles): ClampView => new ClampView("$circuit->name: $words", ResidualClamp::conductors($house, $id, ...$roles)->around), array_keys(self::CLAMPS), array_values(self::CLAMPS)), static fn (ClampView $clamp): bool => [] !== $clamp->around)),
            $controls->ofWay($id),
            $controls->legs($controls->atBoard($id)),
        );
    }

    /** @param array{part: string, column: int, row: int, after: string|null, cables: list<string>} $stop */
    private function stop(House $house, State $state, Controls $controls, array $stop): StopView
    {
        $part = $house->parts[$stop['part']];
        $loads = [];
        foreach ($house->partsOfKind('appliance') as $load) {
            if (str_starts_with($load->attributes->string('pluggedInto', ''), "$part->id.")) {
                $loads[] = $load->id;
            }
        }

        return new StopView($part->id, $part->place, $part->name, $part->kind, $stop['column'], $stop['row'], $stop['after'], Terminals::ofPoint($house, $state, $part), $loads, Knowing::Assumed === $house->cables[$stop['cables'][0]]->lengthMetres->knowing, $controls->ofPoint($part), $controls->legs($controls->landedAt($part)));
    }

    /** @return list<string> the poles by which a device is watched; none where it does not open by itself */
    public static function watch(Part $device): array
    {
        return array_map(static fn (string $pole): string => "+$device->id/$pole", self::WATCHED[$device->kind] ?? []);
    }
}
