import { useState } from 'react';
import type { Schemas } from '../api/client';

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
            localStorage.setItem(KEY, JSON.stringify(now));
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

/** Which testers are to hand: the next test is chosen from those only. */
export function Kit({ instruments, missing, onToggle }: { instruments: Schemas['InstrumentView'][]; missing: string[]; onToggle: (family: string) => void }) {
    const families = [...new Set(instruments.map((each) => each.family))].filter((family) => family !== ALWAYS);
    const gone = families.filter((family) => missing.includes(family));
    return (
        <details>
            <summary className="min-h-11 cursor-pointer py-2">{gone.length === 0 ? 'Testers to hand: all' : `Not to hand: ${gone.join('; ')}`}</summary>
            <fieldset className="grid grid-cols-2 gap-x-3">
                <legend className="text-sm text-soft">The next test needs only what is ticked. Without a voltage indicator no dead test is proposed.</legend>
                {families.map((family) => (
                    <label key={family} className="flex min-h-11 items-center gap-2">
                        <input type="checkbox" className="size-5 accent-ink" checked={!missing.includes(family)} onChange={() => onToggle(family)} />
                        {family}
                    </label>
                ))}
            </fieldset>
        </details>
    );
}
