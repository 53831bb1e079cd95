import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { Button, clock, inputLook } from '../ui/parts';
import { say } from '../words';

/** Proofs of dead, each with what has ended it. */
export function Proofs({ proofs }: { proofs: Detail['proofs'] }) {
    return (
        <section aria-label={say('safe.proofs')}>
            <h2 className="mb-1 font-bold">{say('safe.proofs')}</h2>
            {proofs.length === 0 && <p className="text-soft">{say('safe.no-proof')}</p>}
            <ul className="space-y-1">
                {proofs.map((proof) => (
                    <li key={proof.id} className={proof.stands ? '' : 'text-soft'}>
                        <span aria-hidden="true">{proof.stands ? '■ ' : proof.live ? '◆ ' : '▲ '}</span>
                        <span className={proof.lapsed === null ? '' : 'line-through'}>
                            {proof.name}: {proof.words}, {clock(proof.at)}
                        </span>
                        {proof.lapsed !== null && <span className="block text-sm">{proof.lapsed}</span>}
                    </li>
                ))}
            </ul>
            <p className="mt-2 text-sm text-soft">{say('safe.proof-note')}</p>
        </section>
    );
}

/** Locks that hang: each comes off in an act of its own, with who takes it off. */
export function Locks({ locks, busy, onRelease, onLeave }: { locks: Schemas['LockView'][]; busy: boolean; onRelease: (lock: Schemas['Lock']) => void; onLeave: () => void }) {
    const [releasing, setReleasing] = useState<string | null>(null);
    const [who, setWho] = useState('');
    return (
        <section aria-label={say('safe.locks')} className="space-y-2">
            <h2 className="font-bold">{say('safe.locks')}</h2>
            {locks.length === 0 && <p className="text-soft">{say('safe.no-locks')}</p>}
            {locks.map((lock) => (
                <div key={lock.device}>
                    <p className="flex items-center gap-2">
                        <span className="min-w-0 flex-1 break-words">{say('safe.lock', { name: lock.name, keeper: lock.keeper, number: lock.number === null ? '' : `, ${lock.number}` })}</span>
                        <Button
                            look="quiet"
                            aria-label={`${say('safe.release')}, ${lock.name}`}
                            onClick={() => {
                                setReleasing(releasing === lock.device ? null : lock.device);
                                setWho(lock.keeper);
                            }}
                        >
                            {say('safe.release')}
                        </Button>
                    </p>
                    {releasing === lock.device && (
                        <form
                            className="flex items-end gap-2"
                            onSubmit={(event) => {
                                event.preventDefault();
                                onRelease({ device: lock.device, keeper: who.trim(), sign: lock.sign, ...(lock.number === null ? {} : { number: lock.number }) });
                                setReleasing(null);
                            }}
                        >
                            <label className="min-w-0 flex-1 text-sm font-bold">
                                {say('safe.release-who')}
                                <input className={`${inputLook} font-normal`} required maxLength={80} value={who} onChange={(event) => setWho(event.target.value)} />
                            </label>
                            <Button type="submit" disabled={busy || who.trim() === ''}>
                                {say('safe.done')}
                            </Button>
                        </form>
                    )}
                </div>
            ))}
            <Button disabled={busy} onClick={onLeave}>
                {say('safe.left')}
            </Button>
            <p className="text-sm text-soft">{say('safe.left-note')}</p>
        </section>
    );
}
