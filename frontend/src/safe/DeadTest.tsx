import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Button, inputLook } from '../ui/parts';
import { say } from '../words';

type Tried = Schemas['PairTried'];

interface Props {
    pairs: Schemas['PairView'][];
    busy: boolean;
    /** Tried to the end, or up to the voltage that stops it. */
    onTried: (tried: Tried[], opened: boolean) => void;
}

/** Every pair in its order, one at a time: no voltage on one says nothing of the next, and the first voltage stops it. */
export function DeadTest({ pairs, busy, onTried }: Props) {
    const [none, setNone] = useState<string[]>([]);
    const [volts, setVolts] = useState<string | null>(null);
    const [opened, setOpened] = useState(false);
    const now = pairs.find((pair) => !none.includes(pair.id));
    const tried = none.map((pair): Tried => ({ pair, voltage: false }));
    const words = (id: string) => pairs.find((pair) => pair.id === id)?.words ?? '';
    return (
        <div className="w-full space-y-2">
            <ul className="text-sm">
                {none.map((pair) => (
                    <li key={pair}>● {say('safe.pair-none', { pair: words(pair) })}</li>
                ))}
            </ul>
            {none.length > 0 && (
                <Button look="quiet" className="px-0" onClick={() => setNone(none.slice(0, -1))}>
                    {say('safe.last-again')}
                </Button>
            )}
            {now && volts === null && (
                <div className="space-y-1">
                    <p className="text-lg font-bold" aria-live="polite">
                        {say('safe.try-now', { pair: now.words })}
                    </p>
                    <div className="flex flex-wrap gap-2">
                        <Button look="next" disabled={busy} onClick={() => setNone([...none, now.id])}>
                            {say('safe.none')}
                        </Button>
                        <Button look="danger" disabled={busy} onClick={() => setVolts('')}>
                            {say('safe.voltage')}
                        </Button>
                    </div>
                    <p className="text-sm text-soft">{say('safe.to-try', { count: pairs.length - none.length })}</p>
                </div>
            )}
            {now && volts !== null && (
                <div className="space-y-2 border-l-4 border-bad pl-3">
                    <p className="font-bold">{say('safe.voltage-on', { pair: now.words })}</p>
                    <label className="block text-sm font-bold">
                        {say('safe.volts')}
                        <input className={`${inputLook} font-mono font-normal`} inputMode="decimal" maxLength={24} value={volts} onChange={(event) => setVolts(event.target.value)} />
                    </label>
                    <div className="flex flex-wrap gap-2">
                        <Button look="danger" disabled={busy} onClick={() => onTried([...tried, { pair: now.id, voltage: true, ...(volts.trim() === '' ? {} : { raw: volts }) }], opened)}>
                            {say('safe.store-voltage')}
                        </Button>
                        <Button look="quiet" onClick={() => setVolts(null)}>
                            {say('safe.slip')}
                        </Button>
                    </div>
                </div>
            )}
            <label className="flex min-h-11 items-center gap-2">
                <input type="checkbox" className="size-5 accent-(--ink)" checked={opened} onChange={() => setOpened(!opened)} />
                {say('safe.opened-accessory')}
            </label>
            {!now && (
                <Button look="next" disabled={busy} onClick={() => onTried(tried, opened)}>
                    {say('safe.all-none')}
                </Button>
            )}
        </div>
    );
}
