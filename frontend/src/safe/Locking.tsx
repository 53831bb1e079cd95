import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Button, inputLook, useDraft } from '../ui/parts';
import { say } from '../words';

type Lock = Schemas['Lock'];

/** A lock on each point that isolates: who keeps its key, its number, and whether the sign hangs. */
export function Locking({ callId, points, busy, onLocked }: { callId: string; points: Schemas['DeviceView'][]; busy: boolean; onLocked: (locks: Lock[]) => void }) {
    const [keeper, setKeeper] = useDraft(`${callId}.keeper`);
    const [numbers, setNumbers] = useState<Record<string, string>>({});
    const [unsigned, setUnsigned] = useState<string[]>([]);
    if (points.length === 0) {
        return <p className="w-full text-soft">{say('safe.no-points')}</p>;
    }
    const locks = points.map((point): Lock => {
        const number = numbers[point.id]?.trim() ?? '';
        return { device: point.id, keeper: keeper.trim(), sign: !unsigned.includes(point.id), ...(number === '' ? {} : { number }) };
    });
    return (
        <form
            className="w-full space-y-2"
            onSubmit={(event) => {
                event.preventDefault();
                onLocked(locks);
            }}
        >
            <label className="block text-sm font-bold">
                {say('safe.keeper')}
                <input className={`${inputLook} max-w-60 font-normal`} required maxLength={80} value={keeper} onChange={(event) => setKeeper(event.target.value)} />
            </label>
            {points.map((point) => (
                <div key={point.id} className="flex flex-wrap items-end gap-3">
                    <span className="min-w-40 flex-1 pb-2">{point.name}</span>
                    <label className="text-sm">
                        {say('safe.number')}
                        <input className={`${inputLook} max-w-32 font-mono`} aria-label={`${say('safe.number')}, ${point.name}`} maxLength={40} value={numbers[point.id] ?? ''} onChange={(event) => setNumbers({ ...numbers, [point.id]: event.target.value })} />
                    </label>
                    <label className="flex min-h-11 items-center gap-2 text-sm">
                        <input type="checkbox" className="size-5 accent-(--ink)" aria-label={`${say('safe.sign')}, ${point.name}`} checked={!unsigned.includes(point.id)} onChange={() => setUnsigned(unsigned.includes(point.id) ? unsigned.filter((id) => id !== point.id) : [...unsigned, point.id])} />
                        {say('safe.sign')}
                    </label>
                </div>
            ))}
            <Button type="submit" look="next" disabled={busy || keeper.trim() === ''}>
                {say('safe.done')}
            </Button>
        </form>
    );
}
