import { useState } from 'react';
import type { Schemas } from '../api/client';
import type { Pending } from '../outbox/store';
import { need, nextOpen, useRun, type Prepared } from './runs';

interface Now {
    callId: string;
    /** Id of the run; empty outside one. */
    series: string;
    /** Print of the state as this device has it. */
    state: string;
    /** Of the state as the server has it. */
    hash: string;
    /** Whether the server has all that was switched. */
    isSettled: boolean;
    refused: Pending[];
}

export interface Running {
    run: Schemas['SeriesView'] | null;
    member: Schemas['SeriesMemberView'] | null;
    at: number;
    taken: ReadonlySet<string>;
    need: 'nothing' | 'changes' | 'unknown';
    /** Whether the member can be read now: the house is as it asks. */
    isReady: boolean;
    /** Whether every member is read, and nobody has gone back to one. */
    isOver: boolean;
    go: (at: number) => void;
    /** Its preparation was confirmed; the house stands so from now on. */
    prepared: (state: string) => void;
    /** What was confirmed did not happen. */
    undo: () => void;
    /** A reading was handed over: on to the next that is open, at once. */
    stored: () => void;
}

interface Course {
    series: string;
    /** Null until the run is known: then it begins at the first that is open. */
    at: number | null;
    prepared: Prepared | null;
    /** The member that can be read, and the state of the house for which that is so. */
    opened: { member: string; state: string } | null;
    /** Members read on this device. */
    read: string[];
    /** Whether the last of them was the last that was open. */
    isOver: boolean;
}

const begun = (series: string): Course => ({ series, at: null, prepared: null, opened: null, read: [], isOver: false });

/** A run of readings as it goes: which member is in hand, and whether the house is ready for it. */
export function useRunning({ callId, series, state, hash, isSettled, refused }: Now): Running {
    const fetched = useRun(callId, series).data;
    const [known, setCourse] = useState(() => begun(series));
    const course = known.series === series ? known : begun(series);
    const set = (change: Partial<Course>) => setCourse((old) => ({ ...(old.series === series ? old : begun(series)), ...change }));
    const run = series !== '' && fetched?.id === series ? fetched : null;
    const again = new Set(refused.filter((entry) => entry.kind === 'measured').map((entry) => (entry.payload as Schemas['Measured']).test));
    const taken = new Set(course.read.filter((id) => !again.has(id)));
    const at = course.at ?? (run ? Math.max(0, nextOpen(run.members, -1, taken)) : 0);
    const member = run?.members[at] ?? null;
    const wants = member && run ? need(member, run.stateHash, { hash, print: state, isSettled }, course.prepared) : 'unknown';
    const wasOpened = member !== null && course.opened?.member === member.id && course.opened.state === state;
    const isReady = wants === 'nothing' || wasOpened;
    // Once open for a state it stays so, whatever the server weighs meanwhile.
    if (member && isReady && (!wasOpened || course.at !== at)) {
        set({ at, opened: { member: member.id, state } });
    }
    return {
        run,
        member,
        at,
        taken,
        need: isReady ? 'nothing' : wants,
        isReady,
        isOver: course.isOver || (course.at === null && run !== null && nextOpen(run.members, -1, taken) === -1),
        go: (to) => set({ at: to, isOver: false }),
        prepared: (stands) => member && run && set({ at, prepared: { from: run.stateHash, print: stands, changes: member.changes }, opened: { member: member.id, state: stands } }),
        undo: () => set({ prepared: null, opened: null }),
        stored: () => {
            if (member && run) {
                const read = [...course.read.filter((id) => id !== member.id), member.id];
                const next = nextOpen(run.members, at, new Set([...taken, member.id]));
                set({ read, at: next === -1 ? at : next, isOver: next === -1 });
            }
        },
    };
}
