import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { say } from '../words';
import { Circuit, type Drawing, type Selection } from './Circuit';
import { rows, type Row } from './folding';
import { PlotApart, stopsOf } from './Plot';
import { holds, type Plan } from './preparation';
import { usePinch } from './usePinch';

type MapData = Schemas['MapView'];
type Way = MapData['ways'][number];

interface Props extends Omit<Drawing, 'steps'> {
    run: Schemas['SeriesView'] | null;
    at: number;
    onGo: (at: number) => void;
    plan: Plan | null;
    state: Schemas['StateView'];
    readings: Schemas['ReadingView'][];
    /** Places of the likeliest causes. */
    causes: string[];
    /** The drawing is wanted larger or smaller. */
    onZoom: (by: 1 | -1) => void;
}

/** So many circuits stand open beside each other: two, for what lies between two. */
const OPEN = 2;
/** Where there are no more than this all of them do. */
const FEW = 3;

/** The board's ways in physical order: circuits in hand at their full size, the others folded to a line. */
export function LineMap(props: Props) {
    const { map, run, at, onGo, plan, state, probes, selected, onSelect, causes, onZoom } = props;
    const pinch = usePinch(onZoom);
    const scroller = useRef<HTMLDivElement>(null);
    const [byHand, setByHand] = useState<string[]>([]);
    const plotted = run === null ? null : (map.ways.find((way) => stopsOf(way, run.members) !== null)?.circuit ?? null);
    const wanted = [...new Set([plotted, ...circuitsOf(map, selected), ...map.ways.filter((way) => probes.some((probe) => holdsTerminal(way, probe.terminal))).map((way) => way.circuit)].filter((each): each is string => each !== null))];
    const likely = causes.flatMap((place) => map.ways.filter((way) => way.stops.some((stop) => stop.place === place)))[0]?.circuit ?? map.ways[0]?.circuit;
    const chosen = [...new Set([...wanted, ...byHand])].slice(0, OPEN);
    const open = new Set(map.ways.length <= FEW ? map.ways.map((way) => way.circuit) : chosen.length > 0 ? chosen : likely === undefined ? [] : [likely]);
    const steps = stepsOf(map, plan, state);
    const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(new Set());
    const stays = new Set([...open, ...map.ways.filter((way) => !way.on || steps.has(way.device) || way.stops.some((each) => causes.includes(each.place) || steps.has(each.part))).map((way) => way.circuit)]);
    // What was chosen elsewhere, by its name or from a list, comes into sight.
    const first = wanted[0];
    const probed = map.ways.flatMap((way) => way.stops).find((stop) => probes[0] && stop.terminals.some((terminal) => terminal.id === probes[0]?.terminal))?.part;
    const stop = probed ?? (selected?.kind === 'stop' ? selected.id : undefined);
    useEffect(() => {
        if (first !== undefined) {
            scroller.current?.querySelector(`[data-circuit="${CSS.escape(first)}"]`)?.scrollIntoView({ block: 'nearest' });
        }
        if (stop !== undefined) {
            scroller.current?.querySelector(`[data-stop="${CSS.escape(stop)}"]`)?.scrollIntoView({ block: 'nearest', inline: 'center' });
        }
    }, [first, stop]);
    const unfold = (way: Way) => {
        setByHand((old) => [way.circuit, ...old.filter((each) => each !== way.circuit)].slice(0, OPEN));
        onSelect({ kind: 'way', id: way.circuit });
    };
    return (
        <>
            {run !== null && plotted === null && <PlotApart plot={{ members: run.members, at, onGo }} />}
            <div ref={scroller} data-map {...pinch} className="min-h-0 flex-1 touch-pan-x touch-pan-y overflow-auto" tabIndex={0} aria-label={say('map.scrollable')} role="region">
                <div role="group" aria-label={say('map.title')} className="min-w-full">
                    {rows(map, stays, unfolded).map((row) =>
                        row.is === 'board' ? (
                            <h3 key={`board ${row.name}`} className="border-b border-ink px-4 pt-1 text-sm font-bold">
                                {row.name}
                            </h3>
                        ) : row.is === 'group' ? (
                            <Heading key={row.key} map={map} row={row} onUnfold={() => setUnfolded(new Set([...unfolded, row.key]))} />
                        ) : (
                            <div key={row.way.circuit} data-circuit={row.way.circuit}>
                                {open.has(row.way.circuit) ? (
                                    <div className="overflow-x-auto border-y border-soft bg-sheet" tabIndex={row.way.stops.length > 8 ? 0 : -1}>
                                        <Circuit {...props} way={row.way} steps={steps} plot={run !== null && plotted === row.way.circuit ? { members: run.members, at, onGo } : null} />
                                    </div>
                                ) : (
                                    <Folded {...props} way={row.way} number={row.number} onUnfold={() => unfold(row.way)} />
                                )}
                            </div>
                        ),
                    )}
                    {map.links.length > 0 && <p className="px-4 py-1 text-sm">{say('map.links', { links: map.links.map((link) => link.words).join('; ') })}</p>}
                </div>
            </div>
        </>
    );
}

/** A residual device over its circuits; where they are folded away, a tap brings them back. */
function Heading({ map, row, onUnfold }: { map: MapData; row: Extract<Row, { is: 'group' }>; onUnfold: () => void }) {
    const lever = map.levers.find((each) => each.device === row.way.group);
    const state = lever && <span className="text-soft">{say(lever.on ? 'levers.on' : 'levers.off')}</span>;
    return row.isFolded ? (
        <button type="button" aria-expanded={false} className="flex min-h-7 w-full items-baseline gap-2 border-b border-line px-4 text-left text-sm pointer-coarse:min-h-11" onClick={onUnfold}>
            <strong>{say('map.group', { name: row.way.groupName, count: row.count })}</strong>
            {state}
        </button>
    ) : (
        <p className="flex items-baseline gap-2 px-4 text-sm">
            <strong>{row.way.groupName}</strong>
            {state}
        </p>
    );
}

/** A circuit that nobody works on: its lever, its points as marks in their order, what was read there. */
function Folded({ way, number, probes, suspected, proved, readings, onSelect, onUnfold }: Props & { way: Way; number: number; onUnfold: () => void }) {
    const own = new Set(way.stops.flatMap((stop) => stop.terminals.map((terminal) => terminal.id)));
    const read = readings.filter((reading) => reading.withdrawn === null && reading.terminals.some((terminal) => own.has(terminal)));
    const odd = read.filter((reading) => reading.fit === 'off').length;
    return (
        <div className="flex min-h-7 items-center border-b border-line pl-4 pointer-coarse:min-h-11">
            <button type="button" aria-expanded={false} aria-label={say('map.way', { name: way.name, rating: way.rating, state: say(way.on ? 'levers.on' : 'levers.off') })} className="flex min-h-7 w-[13.2rem] shrink-0 items-center gap-2 self-stretch text-left text-sm" onClick={onUnfold}>
                <span className="w-5 shrink-0 text-right font-bold">{number}</span>
                <span className="min-w-0 flex-1 truncate font-bold" title={way.name}>
                    {way.name}
                </span>
                <span className="shrink-0 text-soft">{way.rating}</span>
                <svg width={11} height={20} className="shrink-0" aria-hidden="true">
                    <rect x={0.6} y={0.6} width={9.8} height={18.8} rx={2} className="fill-sheet stroke-current" strokeWidth={1.2} />
                    <rect x={2.5} y={way.on ? 2.5 : 10.5} width={6} height={7} className="fill-current" />
                </svg>
            </button>
            <span className="flex min-w-0 items-center overflow-hidden pl-1">
                {way.stops.map((stop) => (
                    <button key={stop.part} type="button" aria-label={mark(stop, suspected.has(stop.place), proved.has(stop.place))} title={stop.name} className="flex h-7 w-7 shrink items-center justify-center border-y-0 pointer-coarse:h-11" onClick={() => onSelect({ kind: 'stop', id: stop.part })}>
                        <svg width={28} height={20} aria-hidden="true">
                            <path d="M0 10H28" className={way.on ? 'stroke-current' : 'stroke-line'} strokeWidth={1.4} />
                            <rect x={9} y={5} width={10} height={10} rx={stop.kind === 'light' ? 5 : stop.kind === 'switch' ? 0 : 2} className={suspected.has(stop.place) ? 'fill-sheet stroke-bad' : 'fill-sheet stroke-current'} strokeWidth={suspected.has(stop.place) ? 2.4 : 1.3} />
                            {probes.some((probe) => stop.terminals.some((terminal) => terminal.id === probe.terminal)) && <path d="M14 4l6 6-6 6-6-6z" fill="#ffd60a" stroke="#16243b" strokeWidth={1.4} />}
                        </svg>
                    </button>
                ))}
            </span>
            <span className="ml-2 min-w-0 flex-1 truncate text-sm text-soft max-sm:hidden">{say('map.points', { count: way.stops.length })}</span>
            {read.length > 0 && (
                <span className={`shrink-0 px-3 text-sm max-sm:hidden ${odd > 0 ? 'font-bold text-bad' : ''}`}>
                    {odd > 0 ? '◆ ' : '● '}
                    {odd > 0 ? say('map.odd', { count: odd }) : say('map.read', { count: read.length })}
                </span>
            )}
        </div>
    );
}

function mark(stop: Schemas['StopView'], isSuspected: boolean, isProved: boolean): string {
    return [say('map.stop', { name: stop.name }), isSuspected && say('map.suspected'), isProved && say('map.proved')].filter(Boolean).join(', ');
}

/** The circuits of what is chosen. */
function circuitsOf(map: MapData, selected: Selection | null): string[] {
    return map.ways.filter((way) => (selected?.kind === 'way' ? way.circuit === selected.id : way.stops.some((stop) => stop.part === selected?.id))).map((way) => way.circuit);
}

function holdsTerminal(way: Way, terminal: string): boolean {
    return way.terminals.some((each) => each.id === terminal) || way.stops.some((stop) => stop.terminals.some((each) => each.id === terminal));
}

/** Numbers of the steps of a preparation, by the part or the device where the hand goes. */
function stepsOf(map: MapData, plan: Plan | null, state: Schemas['StateView']): Map<string, { number: number; isNext: boolean }[]> {
    const found = new Map<string, { number: number; isNext: boolean }[]>();
    let isNext = true;
    for (const [at, step] of plan?.test.changes.entries() ?? []) {
        if (plan === null || holds(step, state) || plan.leftOut.includes(step.subject)) {
            continue;
        }
        const own = step.subject.split('.')[0] ?? '';
        const stop = map.ways.flatMap((way) => way.stops).find((each) => each.part === own || each.loads.includes(own) || each.controls.some((control) => control.subject === step.subject));
        const way = map.ways.find((each) => each.device === own || each.controls.some((control) => control.subject === step.subject));
        const key = stop?.part ?? way?.device;
        if (key !== undefined) {
            found.set(key, [...(found.get(key) ?? []), { number: at + 1, isNext }]);
        }
        isNext = false;
    }
    return found;
}
