import { useState } from 'react';
import type { Practice } from '../api/hooks';
import { keep } from '../ui/storage';

const KEY = 'yellow-probe.practice';

export type Ways = Omit<Practice, 'without'>;

export const CHOICES: { [Way in keyof Ways]: { words: string; options: [Ways[Way], string][] } } = {
    role: { words: 'Working here', options: [['electrician', 'Electrician'], ['assistant', 'Assistant: nothing live behind a cover']] },
    residual: { words: 'Residual devices tested', options: [['either', 'at the board or at a point'], ['board', 'at the board'], ['point', 'at a point']] },
    loop: { words: 'Earth loop at a point', options: [['measured', 'measured'], ['calculated', 'calculated from Ze and R1+R2']] },
};

const USUAL: Ways = { role: 'electrician', residual: 'either', loop: 'measured' };

/** How this person works; a thing of the person on this device. */
export function useWays(): [Ways, <Way extends keyof Ways>(way: Way, choice: Ways[Way]) => void] {
    const [ways, set] = useState<Ways>(() => readWays(localStorage.getItem(KEY)));
    return [
        ways,
        (way, choice) => {
            const now = { ...ways, [way]: choice };
            keep(KEY, JSON.stringify(now));
            set(now);
        },
    ];
}

/** What is kept may be from an older page: any word that is no choice counts as the usual one. */
export function readWays(kept: string | null): Ways {
    const known = (way: keyof Ways, word: unknown) => CHOICES[way].options.some(([choice]) => choice === word);
    try {
        const found: unknown = JSON.parse(kept ?? '{}');
        const entries = typeof found === 'object' && found !== null ? Object.entries(found).filter(([way, word]) => way in USUAL && known(way as keyof Ways, word)) : [];
        return { ...USUAL, ...Object.fromEntries(entries) } as Ways;
    } catch {
        return USUAL;
    }
}
