import { useState } from 'react';
import { useKeys } from '../../ui/keys';
import { say } from '../../words';

const PAIRS = ['L–N', 'L–E', 'N–E'];
/** Always in this order: hands learn it. */
const TILES = ['110', '100', '010', '001', '111', '101', '011', '000'];

/** The eight pictures of a plug-in tester: a tap stores what is seen. What it means depends on the house, so no tile says it. */
export function Patterns({ onStore }: { onStore: (raw: string) => void }) {
    const [keyed, setKeyed] = useState('');
    // Three keys make a picture too: each lamp as it is, 1 lit and 0 dark.
    const key = (lamp: string) => {
        const now = keyed + lamp;
        setKeyed(now.length === PAIRS.length ? '' : now);
        if (now.length === PAIRS.length) {
            onStore(now);
        }
    };
    useKeys({ 0: () => key('0'), 1: () => key('1'), Backspace: () => setKeyed(keyed.slice(0, -1)) });
    return (
        <>
        <p className="sr-only" role="status">{keyed === '' ? '' : say('patterns.keyed', { keyed })}</p>
        <div role="group" aria-label={say('patterns')} className="grid grid-cols-4 gap-1.5 compact:gap-1">
            {TILES.map((pattern) => (
                <button key={pattern} type="button" aria-label={PAIRS.map((pair, at) => `${pair} ${say(pattern[at] === '1' ? 'lamp.lit' : 'lamp.dark')}`).join(', ')} onClick={() => onStore(pattern)} className="min-h-16 rounded-sm border border-ink bg-paper px-1 py-0.5">
                    <span className="grid grid-cols-3 text-xs leading-tight" aria-hidden="true">
                        {PAIRS.map((pair, at) => (
                            <span key={pair} className="flex flex-col items-center">
                                <span>{pair}</span>
                                <span className={`my-0.5 size-4 rounded-full border-2 border-ink ${pattern[at] === '1' ? 'bg-ink' : ''}`} />
                                <span className={pattern[at] === '1' ? 'font-bold' : 'text-soft'}>{say(pattern[at] === '1' ? 'lamp.lit' : 'lamp.dark')}</span>
                            </span>
                        ))}
                    </span>
                </button>
            ))}
        </div>
        </>
    );
}
