import { useState } from 'react';
import type { Schemas } from '../api/client';
import { keep } from '../ui/storage';
import { CHOICES, type Ways } from './practice';

const KEY = 'yellow-probe.not-to-hand';
/** Eyes are always there. */
const ALWAYS = 'Device, lamp';

/** Tester families that this person has not got here; a thing of the van and the day, so it stays on this device. */
export function useNotToHand(): [string[], (family: string) => void] {
    const [missing, set] = useState<string[]>(() => read(localStorage.getItem(KEY)));
    return [
        missing,
        (family) => {
            const now = missing.includes(family) ? missing.filter((each) => each !== family) : [...missing, family];
            keep(KEY, JSON.stringify(now));
            set(now);
        },
    ];
}

/** What is kept may be from an older page: anything but a list of words counts as nothing missing. */
export function read(kept: string | null): string[] {
    try {
        const list: unknown = JSON.parse(kept ?? '[]');
        return Array.isArray(list) ? list.filter((each): each is string => typeof each === 'string') : [];
    } catch {
        return [];
    }
}

/** The slugs of all settings of the missing families, as the API takes them. */
export function without(instruments: Schemas['InstrumentView'][], missing: string[]): string {
    return instruments
        .filter((each) => each.family !== ALWAYS && missing.includes(each.family))
        .map((each) => each.slug)
        .sort()
        .join(',');
}

interface KitProps {
    instruments: Schemas['InstrumentView'][];
    missing: string[];
    onToggle: (family: string) => void;
    ways: Ways;
    onWay: <Way extends keyof Ways>(way: Way, choice: Ways[Way]) => void;
}

/** Which testers are to hand and how this person works: the next test is chosen from what that leaves. */
export function Kit({ instruments, missing, onToggle, ways, onWay }: KitProps) {
    const families = [...new Set(instruments.map((each) => each.family))].filter((family) => family !== ALWAYS);
    const gone = families.filter((family) => missing.includes(family));
    return (
        <details>
            <summary className="min-h-11 cursor-pointer py-2">
                {gone.length === 0 ? 'Testers to hand: all' : `Not to hand: ${gone.join('; ')}`}
                {ways.role === 'assistant' ? '; assistant' : ''}
            </summary>
            <fieldset className="grid grid-cols-2 gap-x-3">
                <legend className="text-sm text-soft">The next test needs only what is ticked. Without a voltage indicator no dead test is proposed.</legend>
                {families.map((family) => (
                    <label key={family} className="flex min-h-11 items-center gap-2">
                        <input type="checkbox" className="size-5 accent-ink" checked={!missing.includes(family)} onChange={() => onToggle(family)} />
                        {family}
                    </label>
                ))}
            </fieldset>
            <Way way="role" ways={ways} onWay={onWay} />
            <Way way="residual" ways={ways} onWay={onWay} />
            <Way way="loop" ways={ways} onWay={onWay} />
            <p className="text-sm text-soft">Local rules and the licensed practice decide who may do what.</p>
        </details>
    );
}

function Way<One extends keyof Ways>({ way, ways, onWay }: { way: One; ways: Ways; onWay: (way: One, choice: Ways[One]) => void }) {
    return (
        <label className="mt-1 flex min-h-11 flex-wrap items-center gap-x-2 text-sm">
            <span className="text-soft">{CHOICES[way].words}</span>
            <select
                className="min-h-11 min-w-0 flex-1 rounded-sm border border-ink bg-sheet px-2"
                value={ways[way]}
                onChange={(event) => {
                    const choice = CHOICES[way].options.find(([each]) => each === event.target.value);
                    if (choice) {
                        onWay(way, choice[0]);
                    }
                }}
            >
                {CHOICES[way].options.map(([choice, words]) => (
                    <option key={choice} value={choice}>
                        {words}
                    </option>
                ))}
            </select>
        </label>
    );
}
