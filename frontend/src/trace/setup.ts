import { useState } from 'react';

/** The tester in hand and where it is, kept over a reload in the middle of a test. */
export interface SetUp {
    instrument: string;
    terminals: string[];
    around: string[];
    /** What is done meanwhile to bring out what comes and goes; it stays for the next reading. */
    forced: string[];
}

const EMPTY: SetUp = { instrument: 'plug-in-tester', terminals: [], around: [], forced: [] };

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
                const now = { ...old, ...change };
                store(callId, now);
                return now;
            }),
    ];
}
