import { useState } from 'react';

/** The hazard of an act: one line where the act is, the rest on tap. */
export function Hazard({ words }: { words: string }) {
    const [whole, setWhole] = useState(false);
    return words === '' ? null : (
        <button type="button" aria-expanded={whole} className={`block w-full text-left font-bold ${whole ? '' : 'truncate'}`} title={words} onClick={() => setWhole(!whole)}>
            ▲ {words}
        </button>
    );
}
