import { useState } from 'react';
import { useObserve } from '../api/hooks';
import { Button, inputLook, Refused } from '../ui/parts';
import { amps, CARRIES_AMPS } from './parting';

/** Parting a neutral: clamped first, and what the clamp shows is a reading. Amps forbid it; no amps do not free it. */
export function Part({ callId, joint, name, onClose }: { callId: string; joint: string; name: string; onClose: () => void }) {
    const observe = useObserve(callId);
    const [raw, setRaw] = useState('');
    const [reason, setReason] = useState('');
    const [carries, setCarries] = useState(false);
    const lift = (explained?: string) => observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'lift', subject: joint, value: '' }], ...(explained === undefined ? {} : { notClamped: explained }) } }, { onSuccess: onClose });
    const clamp = () => {
        const shown = amps(raw);
        observe.mutate({ kind: 'measured', payload: { instrument: 'clamp', raw, connection: { terminals: [], around: [`+${joint.split('@')[0]}`] } } }, {
            onSuccess: () => {
                if (shown !== null && shown < CARRIES_AMPS) {
                    lift();
                } else {
                    setCarries(true);
                }
            },
        });
    };
    return (
        <form
            className="my-1 space-y-2 border-2 border-ink bg-sheet p-3"
            onSubmit={(event) => {
                event.preventDefault();
                clamp();
            }}
        >
            <p className="font-bold">▲ Clamp {name} before you part it.</p>
            {carries ? (
                <p role="alert" className="font-bold text-bad">
                    ◆ {raw} is in it, breaker off or not: do not part it. It returns another circuit’s current; find whose. The reading is stored.
                </p>
            ) : (
                <>
                    <label className="block text-sm">
                        What the clamp shows around it
                        <input className={`${inputLook} font-mono`} required maxLength={24} placeholder="0.00 A" value={raw} onChange={(event) => setRaw(event.target.value)} />
                    </label>
                    <Button type="submit" disabled={observe.isPending || raw.trim() === ''}>
                        Clamped, and lifted
                    </Button>
                    <label className="block text-sm">
                        Not clamped, because
                        <input className={inputLook} maxLength={200} value={reason} onChange={(event) => setReason(event.target.value)} />
                    </label>
                    <Button look="quiet" disabled={observe.isPending || reason.trim() === ''} onClick={() => lift(reason)}>
                        Lifted without a clamp
                    </Button>
                </>
            )}
            <Refused error={observe.error} />
            <Button look="quiet" onClick={onClose}>
                Leave it landed
            </Button>
        </form>
    );
}
