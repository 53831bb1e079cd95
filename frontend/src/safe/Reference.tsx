import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Button, inputLook } from '../ui/parts';
import { say } from '../words';

/** The indicator on the live pairs before anything is opened: what it shows is the reference for "no voltage". */
export function Reference({ pairs, place, busy, onRead }: { pairs: Schemas['PairView'][]; place: string; busy: boolean; onRead: (tried: Schemas['PairTried'][]) => void }) {
    const [shows, setShows] = useState<Record<string, string>>({});
    const poles = pairs.filter((pair) => pair.isPole);
    const raw = (pair: string) => shows[pair]?.trim() ?? '';
    return (
        <form
            className="w-full space-y-2"
            onSubmit={(event) => {
                event.preventDefault();
                onRead(poles.map((pair) => ({ pair: pair.id, raw: raw(pair.id) })));
            }}
        >
            <p className="text-sm">{say('safe.reference-at', { place })}</p>
            {poles.map((pair) => (
                <label key={pair.id} className="block text-sm font-bold">
                    {pair.words}, V
                    <input className={`${inputLook} max-w-40 font-mono font-normal`} inputMode="decimal" maxLength={24} value={shows[pair.id] ?? ''} onChange={(event) => setShows({ ...shows, [pair.id]: event.target.value })} />
                </label>
            ))}
            <Button type="submit" look="next" disabled={busy || poles.some((pair) => raw(pair.id) === '')}>
                {say('safe.done')}
            </Button>
        </form>
    );
}
