import type { Schemas } from '../api/client';
import type { Connection } from '../api/hooks';
import { say } from '../words';
import type { Selection } from './Circuit';

/** What the tester is connected to; null while a lead is missing. */
export function connect(instrument: Schemas['InstrumentView'], put: string[], around: string[], isPlaced: (terminal: string) => boolean): Connection | null {
    if (instrument.leads.length === 0) {
        return around.length === 0 ? null : { terminals: [], around };
    }
    const terminals = put.slice(0, instrument.leads.length).filter(isPlaced);
    if (terminals.length !== instrument.leads.length) {
        return null;
    }
    return instrument.acts ? (around.length > 0 ? { terminals, around } : null) : { terminals, around: [] };
}

/** Names of all terminals that a lead can be put on. */
export function terminalNames(map: Schemas['MapView'] | undefined): Map<string, string> {
    const all = map ? [...map.origin, ...map.ways.flatMap((way) => [...way.terminals, ...way.stops.flatMap((stop) => stop.terminals)])] : [];
    return new Map(all.map((terminal) => [terminal.id, terminal.name]));
}

/** What a jaw goes around, in words. */
export function clampWords(map: Schemas['MapView'] | undefined, around: string[]): string {
    const key = around.join(' ');
    return [...(map?.deviceClamps ?? []), ...(map?.watches ?? []), ...(map?.ways.flatMap((way) => way.clamps) ?? [])].find((clamp) => clamp.around.join(' ') === key)?.words ?? say('trace.these');
}

export function stopOf(map: Schemas['MapView'] | undefined, part: string): Schemas['StopView'] | undefined {
    return map?.ways.flatMap((way) => way.stops).find((stop) => stop.part === part);
}

/** The terminals of the first outlet that takes every pin of the tester; null where there is none. */
export function plugged(stop: Schemas['StopView'], pins: string[]): string[] | null {
    const outlets = new Map<string, Map<string, string>>();
    for (const terminal of stop.terminals.filter((each) => each.access === 'front')) {
        const outlet = terminal.key.replace(/-?[A-Z]$/, '');
        outlets.set(outlet, (outlets.get(outlet) ?? new Map<string, string>()).set(terminal.role, terminal.id));
    }
    for (const outlet of outlets.values()) {
        const found = pins.map((pin) => outlet.get(pin));
        if (found.every((each) => each !== undefined)) {
            return found;
        }
    }
    return null;
}

/** The point that is chosen on the map, and its circuit. */
export function whereIs(map: Schemas['MapView'] | undefined, selected: Selection | null): { part: string; name: string; circuit: string; way: string } | null {
    const way = map?.ways.find((each) => (selected?.kind === 'way' ? each.circuit === selected.id : each.stops.some((stop) => stop.part === selected?.id)));
    const stop = way?.stops.find((each) => selected?.kind === 'stop' && each.part === selected.id);
    return way ? { part: stop?.part ?? way.device, name: stop?.name ?? way.name, circuit: way.circuit, way: way.name } : null;
}

/** The stop that some lead of a connection is on. */
export function stopWith(map: Schemas['MapView'] | undefined, terminals: string[]): Schemas['StopView'] | undefined {
    return map?.ways.flatMap((way) => way.stops).find((stop) => stop.terminals.some((terminal) => terminals.includes(terminal.id)));
}
