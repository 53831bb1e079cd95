import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Refused } from '../ui/parts';
import { Here } from './Here';
import type { Selection } from './LineMap';

interface Props {
    map: Schemas['MapView'];
    selection: Selection | null;
    instrument: Schemas['InstrumentView'];
    probes: { lead: string; terminal: string }[];
    onPut: (terminal: string) => void;
    onClamp: (around: string[]) => void;
    /** Choose a reading in two states at this point. */
    onTwoStates: (name: string) => void;
    callId: string;
    /** What this house should read for the next lead on a terminal, while another is held. */
    reach: Record<string, string> | undefined;
    /** In a run the leads are where the run has them. */
    isFixed: boolean;
}

/** What can be touched at the point chosen on the map: its terminals, or the conductors a clamp goes around. */
export function PointPanel({ map, selection, instrument, probes, onPut, onClamp, onTwoStates, callId, reach, isFixed }: Props) {
    const observe = useObserve(callId);
    const way = map.ways.find((each) => each.circuit === selection?.id && selection.kind === 'way');
    const stop = map.ways.flatMap((each) => each.stops).find((each) => each.part === selection?.id && selection.kind === 'stop');
    const ofStop = stop ? map.ways.find((each) => each.stops.includes(stop)) : undefined;
    const terminals = (stop && [...stop.terminals].sort((a, b) => Number(b.access === 'front') - Number(a.access === 'front'))) ?? (way ? [...way.terminals, ...map.origin.filter((terminal) => ['t1', 'spike', 'E'].includes(terminal.key) && way.terminals.every((own) => own.id !== terminal.id))] : []);
    const [joints, setJoints] = useState(false);
    // Volts across a joint are read from its conductor to its terminal; no other tester is put there.
    const conductors = instrument.unit === 'V' && !instrument.deadOnly ? terminals.filter((terminal) => terminal.access === 'conductor') : [];
    const touched = terminals.filter((terminal) => terminal.access !== 'conductor' || probes.some((probe) => probe.terminal === terminal.id) || (joints && conductors.includes(terminal)));
    const own = (way ?? ofStop)?.device;
    const watched = map.watches.filter((watch) => watch.around.length > 1 || watch.around[0]?.startsWith(`+${own}/`));
    const clamps = instrument.slug === 'device-watch' ? watched : instrument.acts ? map.deviceClamps : instrument.leads.length > 0 ? [] : [...((way ?? ofStop)?.clamps ?? []), ...map.deviceClamps];
    const first = probes.length;
    const lead = instrument.leads[first >= instrument.leads.length ? 0 : first];
    const [open, setOpen] = useState(false);
    const controls = (stop ?? way)?.controls ?? [];
    const moved = controls.filter((control) => control.value === 'lift' || control.value === 'out' || control.value === 'heater').length;
    const isDead = (terminal: string) => (map.live as Record<string, string>)[terminal] === 'expected-dead';
    const linkable = probes[0] && probes[1] && isDead(probes[0].terminal) && isDead(probes[1].terminal) ? ([probes[0].terminal, probes[1].terminal] as const) : null;
    return (
        <div className="flex min-h-14 shrink-0 flex-wrap items-center gap-2 border-t border-line px-4 py-1.5">
            {stop || way ? <span className="mr-1 font-bold">{stop?.name ?? way?.name}</span> : <span className="text-soft">Tap a point or a way of the board.</span>}
            {/* Room for what the lead would show is kept from the start: a terminal must not move from under the finger when it arrives. */}
            {!isFixed && instrument.leads.length > 0 &&
                touched.map((terminal) => {
                    const on = probes.find((probe) => probe.terminal === terminal.id);
                    return (
                        <button key={terminal.id} type="button" aria-label={`Lead ${lead} on ${terminal.name}`} onClick={() => {
                                onPut(terminal.id);
                                setJoints(false);
                            }}
                            className={`rounded-sm border px-1.5 ${instrument.leads.length === 2 ? 'min-h-13 min-w-19' : 'min-h-11 min-w-11'} ${on ? 'border-2 border-ink bg-probe font-bold text-[#16243b]' : 'border-ink bg-sheet'}`}>
                            {on ? `${on.lead}: ` : ''}
                            {chip(terminal, stop?.kind)}
                            {!on && reach?.[terminal.id] !== undefined && <span className="block max-w-16 truncate font-mono text-xs" title={reach[terminal.id]}>{reach[terminal.id]}</span>}
                        </button>
                    );
                })}
            {!isFixed && conductors.length > 0 && (
                <Button look="quiet" className="px-2" aria-expanded={joints} onClick={() => setJoints(!joints)}>
                    Across a joint
                </Button>
            )}
            {!isFixed && (stop || way) &&
                clamps.map((clamp) => (
                    <button key={clamp.words} type="button" onClick={() => onClamp(clamp.around)} className="min-h-11 rounded-sm border border-ink bg-sheet px-2.5">
                        {clamp.words}
                    </button>
                ))}
            {controls.length > 0 && (
                <Button look="quiet" className="px-2" aria-expanded={open} onClick={() => setOpen(!open)}>
                    Switch, lift here{moved > 0 ? ` (${moved})` : ''}
                </Button>
            )}
            {(stop ?? way) && (
                <Button look="quiet" className="px-2" onClick={() => onTwoStates(stop?.name ?? way?.name ?? '')}>
                    In two states
                </Button>
            )}
            {linkable && (
                <Button look="quiet" disabled={observe.isPending} title="Only on dead conductors, proved dead here" onClick={() => observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'link', subject: linkable[0], value: linkable[1] }] } })}>
                    ▲ A link from {probes[0]?.lead} to {probes[1]?.lead}
                </Button>
            )}
            {way && (
                <Button disabled={observe.isPending} onClick={() => observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'set', subject: way.device, value: way.on ? 'off' : 'on' }] } })}>
                    Its device is now {way.on ? 'off' : 'on'}
                </Button>
            )}
            {open && controls.length > 0 && <Here key={selection?.id} controls={controls} callId={callId} />}
            <Refused error={observe.error} />
        </div>
    );
}

function chip(terminal: Schemas['TerminalView'], kind: string | undefined): string {
    if (terminal.access === 'lifted') {
        return `${terminal.role}, lifted`;
    }
    if (terminal.access === 'conductor') {
        return terminal.key;
    }
    if (terminal.key === 't1') {
        return terminal.name;
    }
    const front = terminal.key.match(/^([a-z]+)-([LNE])$/);
    if (front) {
        return front[1] === 'front' ? (front[2] ?? '') : `${front[1]} ${front[2]}`;
    }
    return kind === 'socket' ? `${terminal.key} behind` : terminal.key;
}
