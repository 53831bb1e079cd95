import { useState } from 'react';

/** The tester in hand and where it is, kept over a reload in the middle of a test. */
export interface SetUp {
    instrument: string;
    terminals: string[];
    around: string[];
    /** What is done meanwhile to bring out what comes and goes; it stays for the next reading. */
    forced: string[];
    /** The test of the catalogue that it was set up for, and the state of the house then; null once tester or leads were chosen by hand. */
    test: { id: string; state: string; words: string; hazard: string } | null;
}

const EMPTY: SetUp = { instrument: 'plug-in-tester', terminals: [], around: [], forced: [], test: null };

export function setUpKey(callId: string): string {
    return `yellow-probe.setup.${callId}`;
}

export function store(callId: string, setUp: SetUp): void {
    sessionStorage.setItem(setUpKey(callId), JSON.stringify(setUp));
}

export function useSetUp(callId: string): [SetUp, (change: Partial<SetUp>) => void] {
    const [setUp, set] = useState<SetUp>(() => {
        const kept = sessionStorage.getItem(setUpKey(callId));
        return kept === null ? EMPTY : { ...EMPTY, ...(JSON.parse(kept) as Partial<SetUp>) };
    });
    return [
        setUp,
        (change) =>
            set((old) => {
                const byHand = change.instrument !== undefined || change.terminals !== undefined || change.around !== undefined;
                const now = { ...old, ...(byHand ? { test: null } : {}), ...change };
                store(callId, now);
                return now;
            }),
    ];
}
