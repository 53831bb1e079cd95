import { useEffect, useState } from 'react';

/** Whether something has stayed the same for so many milliseconds: what is slow waits until the hand rests. */
export function useQuiet(key: string, milliseconds: number): boolean {
    const [rested, setRested] = useState<string | null>(null);
    useEffect(() => {
        const timer = setTimeout(() => setRested(key), milliseconds);
        return () => clearTimeout(timer);
    }, [key, milliseconds]);
    return rested === key;
}
