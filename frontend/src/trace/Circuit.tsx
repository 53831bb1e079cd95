import type { KeyboardEvent, ReactNode } from 'react';
import { clock } from '../ui/parts';
import { say } from '../words';
import { Plot, PLOT, type RunPlot } from './Plot';
import type { Schemas } from '../api/client';
import { offset, place, ringBack, short, size, spacing, strand, type PlacedStop, type PlacedWay } from './layout';

type MapData = Schemas['MapView'];

export interface Selection {
    kind: 'stop' | 'way' | 'origin';
    id: string;
}

export interface Drawing {
    map: MapData;
    probes: { lead: string; terminal: string }[];
    loop: Set<string>;
    suspected: Set<string>;
    proved: Map<string, string>;
    selected: Selection | null;
    onSelect: (selection: Selection) => void;
    /** A lever of what is chosen was put over: the part and the position it is in now. */
    onSwitch: (part: string, position: string) => void;
    /** Size of the drawing; 1 is as it was laid out. */
    zoom?: number;
    /** Numbers of the steps that are to be done, at parts and devices. */
    steps: Map<string, { number: number; isNext: boolean }[]>;
}

interface Props extends Drawing {
    way: MapData['ways'][number];
    /** A run of which every reading is at a stop of this circuit. */
    plot: RunPlot | null;
}

/** One circuit at its full size: its way of the board, the line with its stops, and the readings of a run above them. */
export function Circuit(props: Props) {
    const { map, way, zoom = 1, plot } = props;
    const placed = place([way], spacing(way.stops), plot === null ? 0 : PLOT);
    const [line] = placed.ways;
    return (
        <svg width={placed.width * zoom} height={placed.height * zoom} viewBox={`0 0 ${placed.width} ${placed.height}`} role="group" aria-label={say('map.circuit', { name: way.name })} className="block text-ink">
            {line && plot && <Plot plot={plot} line={line} />}
            {line && <WayLine placed={line} {...props} />}
            {map.links.map((link) => (
                <Link key={link.a + link.b} words={link.words} ends={[locate(placed.ways, link.a), locate(placed.ways, link.b)]} />
            ))}
        </svg>
    );
}

function press(act: () => void) {
    return (event: KeyboardEvent) => {
        if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            act();
        }
    };
}

function Target({ label, pressed, act, stop, children }: { label: string; pressed: boolean; act: () => void; stop?: string; children: ReactNode }) {
    return (
        <g data-stop={stop} role="button" tabIndex={0} aria-label={label} aria-pressed={pressed} onClick={act} onKeyDown={press(act)} className="cursor-pointer">
            {children}
        </g>
    );
}

function WayLine({ placed, map, probes, loop, suspected, proved, selected, onSelect, onSwitch, steps }: Props & { placed: PlacedWay }) {
    const { way, y } = placed;
    const chosen = selected?.kind === 'way' && selected.id === way.circuit;
    const title = `${way.name}, ${way.rating}, ${way.on ? 'on' : 'off'}`;
    const atBoard = probes.filter((probe) => way.terminals.some((terminal) => terminal.id === probe.terminal));
    return (
        <g>
            {placed.stops.map((stop) => (
                <Strands key={stop.stop.part} stop={stop} map={map} way={placed} loop={loop} />
            ))}
            {way.returns.map((back) =>
                back.from === null || back.to !== null ? null : ['L', 'N', 'E'].map((role) => <Conductor key={back.from + role} d={ringBack(placed, back.from ?? '', role)} role={role} map={map} status={statusAt(map, placed.stops.find((each) => each.stop.part === back.from), role)} looped={loop.has(`${back.from}|${role}`)} />),
            )}
            <Target label={`Way: ${title}`} pressed={chosen} act={() => onSelect({ kind: 'way', id: way.circuit })}>
                <title>{title}</title>
                <rect x={size.left} y={y - 25} width={size.board} height={50} rx={2} className="fill-sheet stroke-current" strokeWidth={chosen ? 3 : 1.4} />
                <text x={size.left + 9} y={y - 5} className="fill-current text-[13px] font-bold">
                    {short(way.name, 19)}
                </text>
                <text x={size.left + 9} y={y + 14} className="fill-soft text-[12px]">
                    {way.rating} · {way.on ? 'on' : 'off'}
                </text>
                {!chosen && <Lever x={size.left + size.board - 20} y={y + 8} on={way.on} />}
            </Target>
            <Numbers of={steps.get(way.device)} x={size.left + size.board - 34} y={y + 12} />
            {placed.stops.map((stop) => (
                <Numbers key={stop.stop.part} of={steps.get(stop.stop.part)} x={stop.x + size.box / 2} y={stop.y - size.boxHeight / 2} />
            ))}
            {chosen && <Throw name={way.name} x={size.left + size.board - 20} y={y + 8} on={way.on} act={() => onSwitch(way.device, way.on ? 'off' : 'on')} />}
            {way.terminals.filter((terminal) => terminal.access === 'lifted').map((terminal) => (
                <Loose key={terminal.id} x={size.left + size.board + 7} y={y + offset(terminal.role)} />
            ))}
            {placed.stops.map((stop) => (
                <Stop key={stop.stop.part} placed={stop} map={map} suspected={suspected.has(stop.stop.place)} proved={proved.get(stop.stop.place)} chosen={selected?.kind === 'stop' && selected.id === stop.stop.part} onSelect={onSelect} onSwitch={onSwitch} />
            ))}
            {atBoard.map((probe, at) => (
                <Probe key={probe.lead} lead={probe.lead} x={size.left + size.board + (at % 2 === 0 ? 2 : 26)} y={y + offset(way.terminals.find((t) => t.id === probe.terminal)?.role ?? 'N')} side={at % 2 === 0 ? 1 : -1} />
            ))}
            {placed.stops.map((stop) =>
                probes
                    .filter((probe) => stop.stop.terminals.some((terminal) => terminal.id === probe.terminal))
                    .map((probe, at) => <Probe key={probe.lead} lead={probe.lead} x={stop.x + (at % 2 === 0 ? -6 : 6)} y={stop.y + 1.25 * offset(stop.stop.terminals.find((t) => t.id === probe.terminal)?.role ?? 'N')} side={at % 2 === 0 ? -1 : 1} />),
            )}
        </g>
    );
}

/** Where the hand goes for the steps that are to be done. */
function Numbers({ of = [], x, y }: { of: { number: number; isNext: boolean }[] | undefined; x: number; y: number }) {
    return of.map(({ number, isNext }, at) => (
        <g key={number} aria-hidden="true" className="pointer-events-none">
            <circle cx={x + at * 20} cy={y} r={10} className={isNext ? 'fill-probe stroke-current' : 'fill-sheet stroke-current'} strokeWidth={1.6} />
            <text x={x + at * 20} y={y + 4} textAnchor="middle" className={`text-[12px] font-bold ${isNext ? 'fill-[#16243b]' : 'fill-current'}`}>
                {number}
            </text>
        </g>
    ));
}

/** A loose end: the conductor stops short of its terminal. */
function Loose({ x, y }: { x: number; y: number }) {
    return (
        <g aria-hidden="true">
            <rect x={x - 6} y={y - 4} width={12} height={8} className="fill-paper" />
            <path d={`M${x - 4} ${y + 4}l4 -8M${x + 1} ${y + 4}l4 -8`} className="stroke-current" strokeWidth={1.6} />
        </g>
    );
}

/** A test link between two terminals, as a bow. */
function Link({ words, ends: [a, b] }: { words: string; ends: [Point | null, Point | null] }) {
    if (!a || !b) {
        return null;
    }
    const bow = 26 + Math.abs(a.x - b.x) / 12;
    return (
        <g role="img" aria-label={`Test link: ${words}`}>
            <path d={`M${a.x} ${a.y}Q${(a.x + b.x) / 2 + (a.x === b.x ? bow : 0)} ${(a.y + b.y) / 2 + (a.x === b.x ? 0 : bow)} ${b.x} ${b.y}`} className="fill-none stroke-current" strokeWidth={2.6} strokeDasharray="1 4" strokeLinecap="round" />
            <circle cx={a.x} cy={a.y} r={4} className="fill-current" />
            <circle cx={b.x} cy={b.y} r={4} className="fill-current" />
        </g>
    );
}

interface Point {
    x: number;
    y: number;
}

/** Where a terminal, or a loose end, is drawn; null for what the map has no place for. */
function locate(ways: PlacedWay[], id: string): Point | null {
    for (const placed of ways) {
        const own = placed.way.terminals.find((terminal) => terminal.id === id);
        if (own) {
            return { x: size.left + size.board + 2, y: placed.y + offset(own.role) };
        }
        for (const stop of placed.stops) {
            const found = stop.stop.terminals.find((terminal) => terminal.id === id);
            if (found) {
                return { x: stop.x, y: stop.y + 1.25 * offset(found.role) };
            }
        }
    }
    return null;
}

/** The lever of what is chosen: a tap puts it over. */
function Throw({ name, x, y, on, act }: { name: string; x: number; y: number; on: boolean; act: () => void }) {
    return (
        <g role="button" tabIndex={0} aria-label={`Switch ${name} ${on ? 'off' : 'on'}`} onClick={act} onKeyDown={press(act)} className="cursor-pointer">
            <title>{`Switch ${name} ${on ? 'off' : 'on'}`}</title>
            <rect x={x - 16} y={y - 24} width={44} height={44} className="fill-transparent" />
            <rect x={x - 4} y={y - 15} width={19} height={30} rx={3} className="fill-sheet stroke-current" strokeWidth={2.6} />
            <rect x={x + 1} y={on ? y - 11 : y + 1} width={9} height={10} className="fill-current" />
        </g>
    );
}

/** A breaker's lever: up is on. */
function Lever({ x, y, on }: { x: number; y: number; on: boolean }) {
    return (
        <g aria-hidden="true">
            <rect x={x} y={y - 11} width={11} height={22} rx={2} className="fill-none stroke-current" strokeWidth={1.2} />
            <rect x={x + 2} y={on ? y - 9 : y + 1} width={7} height={8} className="fill-current" />
        </g>
    );
}

const worst = ['expected-live', 'may-be-live', 'expected-dead'];

/** The most cautious word on any terminal of a conductor at a stop. */
function statusAt(map: MapData, stop: PlacedStop | undefined, role: string): string {
    const found = (stop?.stop.terminals ?? []).filter((terminal) => terminal.role === role && terminal.access !== 'conductor').map((terminal) => map.live[terminal.id] ?? 'expected-dead');
    return worst.find((word) => found.includes(word)) ?? 'expected-dead';
}

/** Live conductors are solid, those that may be live are broken into long dashes, those expected dead are pale. */
function Conductor({ d, role, map, status, looped = false }: { d: string; role: string; map: MapData; status: string; looped?: boolean }) {
    const color = map.colours[role] ?? 'currentColor';
    return (
        <>
            {looped && <path d={d} className="fill-none stroke-current" strokeWidth={6} opacity={0.9} />}
            <path d={d} className="conductor" fill="none" stroke={color} strokeWidth={looped ? 2.2 : status === 'expected-dead' ? 1.6 : 2.6} strokeDasharray={status === 'may-be-live' ? '9 3' : role === 'E' ? '5 2' : undefined} opacity={status === 'expected-dead' && !looped ? 0.6 : 1} />
        </>
    );
}

function Strands({ stop, map, way, loop }: { stop: PlacedStop; map: MapData; way: PlacedWay; loop: Set<string> }) {
    const roles = [...new Set(stop.stop.terminals.map((terminal) => (terminal.role === 'SL' ? 'L' : terminal.role)))];
    // A cable whose length nobody measured or saw is drawn with a gap mark: the order is as surveyed, the length is not known.
    return (
        <g>
            {roles.map((role) => (
                <Conductor key={role} d={strand(stop, role)} role={role} map={map} status={statusAt(map, stop, role)} looped={loop.has(`${stop.stop.part}|${role}`) && (stop.stop.after === null || loop.has(`${stop.stop.after}|${role}`))} />
            ))}
            {stop.stop.assumed && stop.from.y === stop.y && <text x={(stop.from.x + stop.x) / 2} y={way.y + stop.stop.row * size.row - 13} textAnchor="middle" aria-hidden="true" className="fill-soft text-[11px]">~</text>}
        </g>
    );
}

/** The position that a switch is not in. */
function other(control: Schemas['ControlView']): string {
    return control.options.find((option) => option.value !== control.value)?.value ?? control.value;
}

/** What stands differently from the house at rest, in a word. */
function standing(stop: PlacedStop['stop']): string {
    const words = stop.controls.flatMap((control) => {
        if (control.operation === 'load') {
            return control.value === 'heater' ? ['2 kW'] : control.value === 'on' ? [] : [control.value];
        }
        return control.operation === 'joint' && control.value === 'lift' ? ['lifted'] : [];
    });
    return [...new Set(words)].join(', ');
}

function Stop({ placed, map, suspected, proved, chosen, onSelect, onSwitch }: { placed: PlacedStop; map: MapData; suspected: boolean; proved: string | undefined; chosen: boolean; onSelect: Props['onSelect']; onSwitch: Props['onSwitch'] }) {
    const { stop, x, y } = placed;
    const roles = [...new Set(stop.terminals.map((terminal) => (terminal.role === 'SL' ? 'L' : terminal.role)))];
    const words = roles.map((role) => `${role} ${statusAt(map, placed, role).replaceAll('-', ' ')}`).join(', ');
    const lever = stop.controls.find((control) => control.operation === 'set');
    const stands = standing(stop);
    const lifted = new Set(stop.controls.filter((control) => control.operation === 'joint' && control.value === 'lift').map((control) => /\/([A-Z0-9]+)@/.exec(control.subject)?.[1] ?? ''));
    return (
        <>
        <Target label={`${stop.name}: ${words}${proved ? `, proved dead here at ${clock(proved)}` : ''}${stands === '' ? '' : `, ${stands}`}${suspected ? ', under suspicion' : ''}`} pressed={chosen} stop={stop.part} act={() => onSelect({ kind: 'stop', id: stop.part })}>
            <title>{stop.name}</title>
            <rect x={x - 46} y={stop.row === 0 ? y - 38 : y - 24} width={92} height={60} fill="transparent" />
            {suspected && <rect x={x - 20} y={y - 22} width={40} height={44} rx={10} className="fill-none stroke-bad" strokeWidth={1.8} strokeDasharray="4 3" />}
            <rect x={x - size.box / 2} y={y - size.boxHeight / 2} width={size.box} height={size.boxHeight} rx={stop.kind === 'light' ? 15 : stop.kind === 'switch' ? 0 : 5} className="fill-sheet stroke-current" strokeWidth={chosen ? 3.2 : 1.4} />
            {roles.map((role) => (
                <circle key={role} className="conductor" cx={x} cy={y + offset(role) * 1.25} r={3} fill={map.colours[role] ?? 'currentColor'} opacity={statusAt(map, placed, role) === 'expected-dead' ? 0.5 : 1} />
            ))}
            {[...lifted].map((role) => (
                <Loose key={role} x={x} y={y + offset(role) * 1.25} />
            ))}
            {lever && !chosen && <Lever x={x + size.box / 2 + 4} y={y} on={lever.value === 'on' || lever.value === '1'} />}
            {stands !== '' && (
                <text x={x + size.box / 2 + 4} y={y - 12} className="fill-current text-[11px] font-bold">
                    {stands}
                </text>
            )}
            <text x={x} y={stop.row === 0 ? y - 27 : y + 31} textAnchor="middle" className="fill-current text-[12px]">
                {short(stop.name, 14)}
            </text>
            {proved && (
                <text x={x + 18} y={y + 4} className="fill-current text-[11px] font-bold">
                    ■ {clock(proved)}
                </text>
            )}
        </Target>
            {lever && chosen && <Throw name={stop.name} x={x + size.box / 2 + 6} y={y} on={lever.value === 'on' || lever.value === '1'} act={() => onSwitch(stop.part, other(lever))} />}
        </>
    );
}

/** A probe with its tip on the terminal, from the left or from the right; of a lead that has a long name the last word. */
function Probe({ lead, x, y, side }: { lead: string; x: number; y: number; side: 1 | -1 }) {
    return (
        <g aria-hidden="true" className="pointer-events-none">
            <path d={`M${x} ${y}l${side * 15} -10l${side * 13} 10l${-side * 13} 10z`} fill="#ffd60a" stroke="#16243b" strokeWidth={1.8} />
            <text x={x + side * 15} y={y + 4} textAnchor="middle" fill="#16243b" className="text-[12px] font-bold">
                {lead.split(' ').at(-1)}
            </text>
        </g>
    );
}
