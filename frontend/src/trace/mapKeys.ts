import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useKeys } from '../ui/keys';
import type { Selection } from './Circuit';

type MapData = Schemas['MapView'];

interface Desk {
    map: MapData | undefined;
    selected: Selection | null;
    onSelect: (selection: Selection) => void;
    /** Leads of the tester in hand; none while the leads are where a run or nobody has them. */
    leads: string[];
    onLead: (lead: number, terminal: string) => void;
}

/** What the arrows go to: circuit by circuit, and point by point along one. */
export function neighbour(map: MapData, selected: Selection | null, key: 'up' | 'down' | 'left' | 'right'): Selection | null {
    const at = map.ways.findIndex((way) => (selected?.kind === 'way' ? way.circuit === selected.id : way.stops.some((stop) => stop.part === selected?.id)));
    const way = map.ways[at];
    if (way === undefined) {
        const first = map.ways[0];
        return first ? { kind: 'way', id: first.circuit } : null;
    }
    if (key === 'up' || key === 'down') {
        const other = map.ways[at + (key === 'up' ? -1 : 1)];
        return other ? { kind: 'way', id: other.circuit } : null;
    }
    const stop = selected?.kind === 'stop' ? way.stops.findIndex((each) => each.part === selected.id) : -1;
    const other = way.stops[stop + (key === 'left' ? -1 : 1)];
    // Left of the first point is the board.
    return other ? { kind: 'stop', id: other.part } : key === 'left' ? { kind: 'way', id: way.circuit } : null;
}

/** The terminal of a conductor at what is chosen, the one that can be reached from the front before one behind a cover. */
export function terminalOf(map: MapData, selected: Selection | null, role: string): string | null {
    const stop = map.ways.flatMap((way) => way.stops).find((each) => selected?.kind === 'stop' && each.part === selected.id);
    const way = map.ways.find((each) => selected?.kind === 'way' && each.circuit === selected.id);
    const own = (stop ?? way)?.terminals.filter((terminal) => terminal.role === role && terminal.access !== 'conductor' && terminal.access !== 'lifted') ?? [];
    return (own.find((terminal) => terminal.access === 'front') ?? own[0])?.id ?? null;
}

/** Arrows go over the map; A or B and then L, N or E moves a lead to that conductor of the point chosen. */
export function useMapKeys({ map, selected, onSelect, leads, onLead }: Desk): void {
    const [lead, setLead] = useState<number | null>(null);
    const go = (key: 'up' | 'down' | 'left' | 'right') => () => {
        const isFree = document.activeElement === document.body || document.activeElement?.closest('[data-map]') !== null;
        const found = map && isFree ? neighbour(map, selected, key) : null;
        return found === null ? false : onSelect(found);
    };
    const take = (which: number) => () => {
        if (selected === null || which >= leads.length) {
            return false;
        }
        // The next letter is a terminal, no figure.
        (document.activeElement as HTMLElement | null)?.blur();
        return setLead(which);
    };
    const put = (role: string) => () => {
        const terminal = lead === null || map === undefined ? null : terminalOf(map, selected, role);
        if (lead === null || terminal === null) {
            return false;
        }
        setLead(null);
        onLead(lead, terminal);
        return document.querySelector<HTMLElement>('[data-reading]')?.focus();
    };
    useKeys({ ArrowUp: go('up'), ArrowDown: go('down'), ArrowLeft: go('left'), ArrowRight: go('right'), a: take(0), b: take(1), ...(lead === null ? {} : { l: put('L'), n: put('N'), e: put('E') }) });
}
