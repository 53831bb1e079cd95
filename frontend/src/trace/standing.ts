import type { Schemas } from '../api/client';
import type { Pending } from '../api/outbox';

type State = Schemas['StateView'];
type Control = Schemas['ControlView'];

interface Change {
    operation: string;
    subject: string;
    value: string;
}

/** The state with what was done and has not reached the server yet: a tap shows at once. */
export function withPending(state: State, pending: Pending[]): State {
    const positions = { ...(state.positions as Record<string, string>) };
    const loads = { ...(state.loads as Record<string, string>) };
    const lifted = new Set(state.lifted);
    for (const { operation, subject, value } of pending.filter((each) => each.kind === 'done').flatMap((each) => each.payload.changes as Change[])) {
        if (operation === 'set') {
            positions[subject] = value;
        } else if (operation === 'load') {
            loads[subject] = value;
        } else if (operation === 'lift') {
            lifted.add(subject);
        } else if (operation === 'refit') {
            lifted.delete(subject);
        }
    }
    return { ...state, positions, loads, lifted: [...lifted] };
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
        loads: map.loads.map((each) => ({ ...each, state: loads[each.id] ?? 'on' })),
        switches: controls(map.switches),
        ways: map.ways.map((way) => ({ ...way, on: positions[way.device] !== 'off', controls: controls(way.controls), stops: way.stops.map((stop) => ({ ...stop, controls: controls(stop.controls) })) })),
    };
}

/** A two-way switch that nobody named a position of stands at its first. */
function atRest(control: Control, position: string): string {
    return control.options.some((option) => option.value === position) ? position : (control.options[0]?.value ?? position);
}
