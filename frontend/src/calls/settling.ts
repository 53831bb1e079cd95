import { useEffect, useState } from 'react';

const MILLISECONDS = 250;

/** What is typed, once whoever types has stopped for a moment: a server is asked for words, not for letters. */
export function useSettling(typed: string): string {
    const [settled, setSettled] = useState(typed);
    useEffect(() => {
        const timer = setTimeout(() => setSettled(typed), MILLISECONDS);
        return () => clearTimeout(timer);
    }, [typed]);
    return settled.trim();
}
