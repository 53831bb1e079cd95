import { useState } from 'react';
import { Refusal, type Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, inputLook, Refused } from '../ui/parts';

type Change = Pick<Schemas['LedgerEntry'], 'operation' | 'subject' | 'value' | 'words' | 'clampFirst'>;

interface Props {
    callId: string;
    /** All that is done; those of a neutral or an earth name the core that the jaw goes around. */
    changes: Change[];
    onParted: () => void;
    onClose: () => void;
}

/** Parting neutrals and earths: each clamped first, and what the clamp shows is a reading. Amps forbid it; no amps do not free it. */
export function Part({ callId, changes, onParted, onClose }: Props) {
    const observe = useObserve(callId);
    const first = changes.filter((change) => change.clampFirst !== null);
    const [raws, setRaws] = useState<Record<string, string>>({});
    const [reason, setReason] = useState('');
    const done = (notClamped?: string) => ({ kind: 'done' as const, payload: { changes: changes.map(({ operation, subject, value }) => ({ operation, subject, value })), ...(notClamped === undefined ? {} : { notClamped }) } });
    const clamped = async () => {
        for (const change of first) {
            await observe.mutateAsync({ kind: 'measured', payload: { instrument: 'clamp', raw: raws[change.subject] ?? '', connection: { terminals: [], around: [`+${change.clampFirst}`] } } });
        }
        await observe.mutateAsync(done());
        onParted();
    };
    // The server reads the clamp: amps in it refuse the parting, whatever is said.
    const carries = observe.error instanceof Refusal && observe.error.pointer === '/payload/changes';
    return (
        <form
            aria-label="Before it is parted"
            className="my-1 space-y-2 border-2 border-ink bg-sheet p-3"
            onSubmit={(event) => {
                event.preventDefault();
                clamped().catch(() => undefined); // what went wrong is shown below, and what was typed stays
            }}
        >
            <p className="font-bold">▲ Clamp before you part a neutral or an earth, even with its breaker off. Amps forbid it; 0 A does not free it.</p>
            {!carries && (
                <>
                    {first.map((change) => (
                        <label key={change.subject} className="block text-sm">
                            {change.words}: what the clamp shows around it
                            <input className={`${inputLook} font-mono`} required maxLength={24} placeholder="0.00 A" value={raws[change.subject] ?? ''} onChange={(event) => setRaws({ ...raws, [change.subject]: event.target.value })} />
                        </label>
                    ))}
                    <Button type="submit" disabled={observe.isPending || first.some((change) => (raws[change.subject] ?? '').trim() === '')}>
                        Clamped, and lifted
                    </Button>
                    <label className="block text-sm">
                        Not clamped, because
                        <input className={inputLook} maxLength={200} value={reason} onChange={(event) => setReason(event.target.value)} />
                    </label>
                    <Button look="quiet" disabled={observe.isPending || reason.trim() === ''} onClick={() => observe.mutate(done(reason), { onSuccess: onParted })}>
                        Lifted without a clamp
                    </Button>
                </>
            )}
            <Refused error={observe.error} />
            {carries && <p>What the clamp shows is stored with the readings.</p>}
            <Button look="quiet" onClick={onClose}>
                Leave it landed
            </Button>
        </form>
    );
}
