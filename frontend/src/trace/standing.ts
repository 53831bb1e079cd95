import type { Schemas } from '../api/client';
import type { Pending } from '../outbox/store';

type State = Schemas['StateView'];
type Control = Schemas['ControlView'];
type Change = Schemas['Act'];

/** Kinds of entries that may leave the house in another state. */
const SWITCHING = new Set(['done', 'isolation', 'lever']);

/** Of what is on its way to the server, what may change the state of the house. */
export function switching(pending: Pending[]): Pending[] {
    return pending.filter((entry) => SWITCHING.has(entry.kind) || (entry.kind === 'measured' && (entry.payload as Schemas['Measured']).instrument === 'device-watch'));
}

/** What an entry on its way switches, lifts or links. */
function changesOf(entry: Pick<Pending, 'kind' | 'payload'>, main: string | null): Change[] {
    if (entry.kind === 'done') {
        return (entry.payload as Schemas['Done']).changes;
    }
    if (entry.kind !== 'isolation') {
        return [];
    }
    const step = entry.payload as Schemas['IsolationStep'];
    const off = [...(step.switched ?? []), ...(step.step === 'danger-now' && main !== null ? [main] : [])].map((subject) => ({ operation: 'set' as const, subject, value: 'off' }));
    return [...off, ...(step.off ?? []).map((subject) => ({ operation: 'load' as const, subject, value: 'off' }))];
}

/** The state with what was done and has not reached the server yet: a tap shows at once. */
export function withPending(state: State, pending: Pick<Pending, 'kind' | 'payload'>[], main: string | null = null): State {
    const positions = { ...(state.positions as Record<string, string>) };
    const loads = { ...(state.loads as Record<string, string>) };
    const lifted = new Set(state.lifted);
    const links = new Map(state.links.map((pair) => [[...pair].sort().join(' '), pair]));
    for (const { operation, subject, value = '' } of pending.flatMap((each) => changesOf(each, main))) {
        switch (operation) {
            case 'set':
                positions[subject] = value;
                break;
            case 'load':
                loads[subject] = value;
                break;
            case 'lift':
                lifted.add(subject);
                break;
            case 'refit':
                lifted.delete(subject);
                break;
            case 'link':
                links.set([subject, value].sort().join(' '), [subject, value].sort());
                break;
            case 'unlink':
                links.delete([subject, value].sort().join(' '));
        }
    }
    return { ...state, positions, loads, lifted: [...lifted], links: [...links.values()] };
}

/** The same text for the same state, whether the server has it yet or not. */
export function printOf(state: State): string {
    const different = (all: unknown) => Object.entries(all as Record<string, string>).filter(([, value]) => value !== 'on').sort();
    return JSON.stringify([different(state.positions), different(state.loads), [...state.lifted].sort(), state.links.map((pair) => [...pair].sort()).sort()]);
}

/** The map with switches, loads and joints as they stand. */
export function withState(map: Schemas['MapView'], state: State): Schemas['MapView'] {
    const positions = state.positions as Record<string, string>;
    const loads = state.loads as Record<string, string>;
    const lifted = new Set(state.lifted);
    const value = (control: Control): string => {
        if (control.operation === 'joint') {
            return lifted.has(control.subject) ? 'lift' : 'refit';
        }
        return control.operation === 'load' ? (loads[control.subject] ?? 'on') : atRest(control, positions[control.subject] ?? 'on');
    };
    const controls = (all: Control[]) => all.map((control) => ({ ...control, value: value(control) }));
    return {
        ...map,
        mainOn: map.main === null ? map.mainOn : positions[map.main] !== 'off',
        levers: map.levers.map((lever) => ({ ...lever, on: (positions[lever.device] ?? 'on') === 'on' })),
        loads: map.loads.map((each) => ({ ...each, state: loads[each.id] ?? 'on' })),
        switches: controls(map.switches),
        ways: map.ways.map((way) => ({ ...way, on: (positions[way.device] ?? 'on') === 'on', controls: controls(way.controls), stops: way.stops.map((stop) => ({ ...stop, controls: controls(stop.controls) })) })),
    };
}

/** A two-way switch that nobody named a position of stands at its first. */
function atRest(control: Control, position: string): string {
    return control.options.some((option) => option.value === position) ? position : (control.options[0]?.value ?? position);
}
