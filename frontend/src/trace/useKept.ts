import { useState } from 'react';

/** Something of the page that is kept over a reload, as long as the window is open. */
export function useKept<T>(key: string, first: T): [T, (value: T) => void] {
    const [value, set] = useState<T>(() => {
        try {
            const kept = sessionStorage.getItem(key);
            return kept === null ? first : (JSON.parse(kept) as T);
        } catch {
            return first;
        }
    });
    return [
        value,
        (next) => {
            sessionStorage.setItem(key, JSON.stringify(next));
            set(next);
        },
    ];
}
