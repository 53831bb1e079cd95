import { useEffect, useState } from 'react';

const COARSE = '(pointer: coarse)';

/** Whether a finger does the pointing: then the page brings its own keys. */
export function useTouch(): boolean {
    const [is, set] = useState(() => matchMedia(COARSE).matches);
    useEffect(() => {
        const query = matchMedia(COARSE);
        const changed = () => set(query.matches);
        query.addEventListener('change', changed);
        return () => query.removeEventListener('change', changed);
    }, []);
    return is;
}
