import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Button } from '../ui/parts';
import type { Selection } from './LineMap';

interface Props {
    map: Schemas['MapView'];
    zoom: number;
    onZoom: (zoom: number) => void;
    onFind: (selection: Selection) => void;
    onRun: () => void;
    onState: () => void;
}

export const ZOOMS = [0.6, 0.8, 1, 1.3, 1.7];

/** What stands over the map: the state of the main, finding a point, the size of the drawing. */
export function MapBar({ map, zoom, onZoom, onFind, onRun, onState }: Props) {
    const [wanted, setWanted] = useState('');
    const all = [...map.ways.map((way) => ({ kind: 'way' as const, id: way.circuit, words: way.name })), ...map.ways.flatMap((way) => way.stops.map((stop) => ({ kind: 'stop' as const, id: stop.part, words: stop.name })))];
    const find = (text: string) => {
        setWanted(text);
        const found = all.find((each) => each.words.toLowerCase() === text.toLowerCase());
        if (found) {
            onFind({ kind: found.kind, id: found.id });
            setWanted('');
        }
    };
    const at = ZOOMS.indexOf(zoom);
    return (
        <div className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-4 py-1 text-sm max-sm:gap-x-1 max-sm:px-3">
            <span className="font-bold">Main switch {map.mainOn ? 'on' : 'off'}</span>
            <span className="text-soft max-sm:hidden">{map.supply}</span>
            <span className="text-soft max-2xl:hidden">━ expected live &nbsp;╍ may be live &nbsp;─ expected dead, not proved &nbsp;~ length assumed</span>
            <span className="grow" />
            <input aria-label="Find a point or a way" list="points" className="min-h-11 w-36 border border-line max-sm:w-20 bg-sheet px-2" placeholder="Find" value={wanted} onChange={(event) => find(event.target.value)} />
            <datalist id="points">
                {all.map((each) => (
                    <option key={`${each.kind} ${each.id}`} value={each.words} />
                ))}
            </datalist>
            <span className="flex max-sm:hidden">
                <Button className="px-3 text-center" aria-label="Map smaller" disabled={at <= 0} onClick={() => onZoom(ZOOMS[at - 1] ?? 1)}>
                    −
                </Button>
                <Button className="px-3 text-center" aria-label="Map larger" disabled={at >= ZOOMS.length - 1} onClick={() => onZoom(ZOOMS[at + 1] ?? 1)}>
                    +
                </Button>
            </span>
            <Button look="quiet" className="max-sm:px-1" onClick={onRun}>
                Run<span className="max-sm:sr-only"> of readings</span>
            </Button>
            <Button look="quiet" className="max-sm:px-1" onClick={onState}>
                Switch, lift
            </Button>
        </div>
    );
}
