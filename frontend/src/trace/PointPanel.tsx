import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Refused } from '../ui/parts';
import { say } from '../words';
import type { Selection } from './Circuit';
import { Here } from './Here';

type Terminal = Schemas['TerminalView'];

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
    /** In a run the leads are where the run has them, and while a test is chosen there are none. */
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
    const [open, setOpen] = useState(false);
    // Volts across a joint are read from its conductor to its terminal; no other tester is put there.
    const conductors = instrument.unit === 'V' && !instrument.deadOnly ? terminals.filter((terminal) => terminal.access === 'conductor') : [];
    const touched = terminals.filter((terminal) => terminal.access !== 'conductor' || probes.some((probe) => probe.terminal === terminal.id) || (joints && conductors.includes(terminal)));
    const own = (way ?? ofStop)?.device;
    const watched = map.watches.filter((watch) => watch.around.length > 1 || watch.around[0]?.startsWith(`+${own}/`));
    const clamps = instrument.slug === 'device-watch' ? watched : instrument.acts ? map.deviceClamps : instrument.leads.length > 0 ? [] : [...((way ?? ofStop)?.clamps ?? []), ...map.deviceClamps];
    const lead = instrument.leads[probes.length >= instrument.leads.length ? 0 : probes.length] ?? '';
    const controls = (stop ?? way)?.controls ?? [];
    const moved = controls.filter((control) => control.value === 'lift' || control.value === 'out' || control.value === 'heater').length;
    const isDead = (terminal: string) => (map.live as Record<string, string>)[terminal] === 'expected-dead';
    const linkable = probes[0] && probes[1] && isDead(probes[0].terminal) && isDead(probes[1].terminal) ? ([probes[0], probes[1]] as const) : null;
    const name = stop?.name ?? way?.name;
    return (
        <section aria-label={name === undefined ? undefined : say('point.of', { name })} className="min-w-0 compact:border-t compact:border-line compact:px-3 compact:py-1">
            <h2 className="text-sm font-bold">{name === undefined ? <span className="font-normal text-soft">{say('point.tap')}</span> : say('point.of', { name })}</h2>
            {!isFixed && instrument.leads.length > 0 && (
                <div className="flex flex-wrap gap-1">
                    {touched.map((terminal) => (
                        <TerminalButton
                            key={terminal.id}
                            terminal={terminal}
                            label={say('point.lead', { lead, terminal: terminal.name })}
                            on={probes.find((probe) => probe.terminal === terminal.id)?.lead}
                            colour={(map.colours as Record<string, string>)[terminal.role]}
                            // Room for what the lead would show is kept from the start: a terminal must not move from under the finger when it arrives.
                            shows={instrument.leads.length === 2 ? (reach?.[terminal.id] ?? '') : null}
                            onPut={() => {
                                onPut(terminal.id);
                                setJoints(false);
                            }}
                        />
                    ))}
                </div>
            )}
            {!isFixed && (stop || way) && clamps.length > 0 && (
                <div className="flex flex-wrap gap-1">
                    {clamps.map((clamp) => (
                        <button key={clamp.words} type="button" onClick={() => onClamp(clamp.around)} className="min-h-9 rounded-sm border border-ink bg-sheet px-2 text-sm pointer-coarse:min-h-11">
                            {clamp.words}
                        </button>
                    ))}
                </div>
            )}
            <div className="flex flex-wrap items-center gap-x-1 text-sm">
                {!isFixed && conductors.length > 0 && (
                    <Button look="quiet" className="px-1" aria-expanded={joints} onClick={() => setJoints(!joints)}>
                        {say('point.joint')}
                    </Button>
                )}
                {controls.length > 0 && (
                    <Button look="quiet" className="px-1" aria-expanded={open} onClick={() => setOpen(!open)}>
                        {moved > 0 ? say('point.here-changed', { count: moved }) : say('point.here')}
                    </Button>
                )}
                {name !== undefined && (
                    <Button look="quiet" className="px-1" onClick={() => onTwoStates(name)}>
                        {say('point.two-states')}
                    </Button>
                )}
                {linkable && (
                    <Button look="quiet" className="px-1" disabled={observe.isPending} title={say('point.link-note')} onClick={() => observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'link', subject: linkable[0].terminal, value: linkable[1].terminal }] } })}>
                        ▲ {say('point.link', { a: linkable[0].lead, b: linkable[1].lead })}
                    </Button>
                )}
                {way && (
                    <Button look="quiet" className="px-1" disabled={observe.isPending} onClick={() => observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'set', subject: way.device, value: way.on ? 'off' : 'on' }] } })}>
                        {way.on ? say('point.switched-off') : say('point.switched-on')}
                    </Button>
                )}
            </div>
            {open && controls.length > 0 && <Here key={selection?.id} controls={controls} legs={(stop ?? way)?.legs ?? []} colours={map.colours} callId={callId} />}
            <Refused error={observe.error} />
        </section>
    );
}

/** A terminal to put a lead on, with its conductor's colour and what the lead would show there. */
function TerminalButton({ terminal, label, on, colour, shows, onPut }: { terminal: Terminal; label: string; on: string | undefined; colour: string | undefined; shows: string | null; onPut: () => void }) {
    return (
        <button
            type="button"
            aria-label={label}
            onClick={onPut}
            className={`flex min-h-11 w-[6.4rem] items-stretch overflow-hidden rounded-sm border text-left text-sm leading-tight ${terminal.access === 'front' ? 'border-ink' : 'border-dashed border-soft'} ${on === undefined ? 'bg-sheet' : 'border-2 bg-probe font-bold text-[#16243b]'}`}
        >
            <span aria-hidden="true" className="conductor w-1.5 shrink-0" style={{ background: colour }} />
            <span className="min-w-0 flex-1 px-1.5 py-0.5">
                <span className="line-clamp-2">
                    {on === undefined ? '' : `${on}: `}
                    {chip(terminal)}
                </span>
                {on === undefined && shows !== null && <span className="block h-4 truncate font-mono text-xs" title={shows}>{shows}</span>}
            </span>
        </button>
    );
}

/** A terminal by its conductor and how it is reached: one behind a cover is said so. */
function chip(terminal: Terminal): string {
    if (terminal.access === 'lifted') {
        return say('point.lifted', { role: terminal.role });
    }
    if (terminal.access === 'conductor') {
        return terminal.key;
    }
    if (terminal.key === 't1') {
        return terminal.name;
    }
    const outlet = terminal.key.match(/^([a-z]+)-([LNE])$/);
    if (outlet) {
        return `${outlet[2]} · ${outlet[1]}`;
    }
    return terminal.access === 'front' ? terminal.key : `${terminal.key} · ${say('point.behind')}`;
}
