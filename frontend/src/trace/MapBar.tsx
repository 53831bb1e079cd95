import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Button } from '../ui/parts';
import type { Selection } from './Circuit';

interface Props {
    map: Schemas['MapView'];
    zoom: number;
    onZoom: (zoom: number) => void;
    onFind: (selection: Selection) => void;
}

export const ZOOMS = [0.6, 0.8, 1, 1.3, 1.7];

/** What stands over the map: the state of the main, finding a point, the size of the drawing. */
export function MapBar({ map, zoom, onZoom, onFind }: Props) {
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
        <div className="flex shrink-0 items-center gap-x-3 border-b border-line px-4 text-sm low:hidden">
            <span className="min-w-0 truncate text-soft max-lg:hidden">━ expected live &nbsp;╍ may be live &nbsp;─ expected dead, not proved &nbsp;~ length assumed</span>
            <span className="grow" />
            <input aria-label="Find a point or a way" data-find list="points" className="min-h-7 w-36 border border-line bg-sheet px-2 pointer-coarse:min-h-11" placeholder="Find" value={wanted} onChange={(event) => find(event.target.value)} />
            <datalist id="points">
                {all.map((each) => (
                    <option key={`${each.kind} ${each.id}`} value={each.words} />
                ))}
            </datalist>
            <span className="flex max-sm:hidden">
                <Button className="min-h-7! px-2 py-0! text-center pointer-coarse:min-h-11!" aria-label="Map smaller" disabled={at <= 0} onClick={() => onZoom(ZOOMS[at - 1] ?? 1)}>
                    −
                </Button>
                <Button className="min-h-7! px-2 py-0! text-center pointer-coarse:min-h-11!" aria-label="Map larger" disabled={at >= ZOOMS.length - 1} onClick={() => onZoom(ZOOMS[at + 1] ?? 1)}>
                    +
                </Button>
            </span>
        </div>
    );
}
