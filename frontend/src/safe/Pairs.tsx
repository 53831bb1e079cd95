import { useState } from 'react';
import { Button } from '../ui/parts';

/** Every pair at the point, ticked one by one: no voltage on one says nothing of the next. */
export function Pairs({ pairs, busy, onAll }: { pairs: string[]; busy: boolean; onAll: (opened: boolean) => void }) {
    const [tried, setTried] = useState<string[]>([]);
    const [opened, setOpened] = useState(false);
    const left = pairs.filter((pair) => !tried.includes(pair));
    return (
        <div className="w-full space-y-1">
            <ul className="flex flex-wrap gap-1.5">
                {pairs.map((pair) => (
                    <li key={pair}>
                        <button type="button" aria-pressed={tried.includes(pair)} className={`min-h-11 border px-3 text-left ${tried.includes(pair) ? 'border-ink bg-ink text-paper' : 'border-ink'}`} onClick={() => setTried(tried.includes(pair) ? tried.filter((each) => each !== pair) : [...tried, pair])}>
                            {pair}
                            {tried.includes(pair) ? ': nothing' : ''}
                        </button>
                    </li>
                ))}
            </ul>
            <label className="flex min-h-11 items-center gap-2">
                <input type="checkbox" className="size-5 accent-(--ink)" checked={opened} onChange={() => setOpened(!opened)} />
                The accessory is open: tried at its terminals
            </label>
            <Button look="next" disabled={busy || left.length > 0} onClick={() => onAll(opened)}>
                No voltage found
            </Button>
            {left.length > 0 && <span className="ml-3 text-sm text-soft">{left.length} to try</span>}
        </div>
    );
}
