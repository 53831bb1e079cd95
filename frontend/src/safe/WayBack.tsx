import { useState } from 'react';
import { Link } from 'react-router';
import type { Detail, Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, inputLook, Refused } from '../ui/parts';
import { say } from '../words';
import { useWayBack } from './hooks';

type Step = Schemas['WayBackView'];

const SHOWN = 8;

/** Bringing the board back: one device at a time from the feeder on, watched against what is expected live and dead. */
export function WayBack({ detail }: { detail: Detail }) {
    const steps = useWayBack(detail.call.id);
    const first = steps.data?.[0];
    if (!first) {
        return null;
    }
    return (
        <section aria-label={say('back.title')} className="border border-ink bg-sheet p-3">
            <h2 className="font-bold">{say('back.title')}</h2>
            <p className="mb-2 text-sm">▲ {say('back.caution')}</p>
            {detail.ledger.some((entry) => entry.backOperation === 'refit' || entry.backOperation === 'unlink') && <p className="mb-2 font-bold text-doubt">▲ {say('back.blocked')}</p>}
            <Refused error={steps.error} />
            <ol className="space-y-2">
                {steps.data?.map((step, at) => (
                    <li key={step.device} className={at === 0 ? '' : 'text-soft'}>
                        <span className="font-bold">{step.name}</span>
                        {at === 0 && <Closing key={step.device} callId={detail.call.id} step={step} />}
                    </li>
                ))}
            </ol>
        </section>
    );
}

/** One device closed and watched: as expected, or what happened instead. */
function Closing({ callId, step }: { callId: string; step: Step }) {
    const observe = useObserve(callId);
    const [otherwise, setOtherwise] = useState(false);
    const [found, setFound] = useState('');
    const [trips, setTrips] = useState(false);
    const close = (watched: Partial<Schemas['Watched']>) =>
        observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'set', subject: step.device, value: 'on' }], watched: { live: step.live, dead: step.dead, ...watched } } }, { onSuccess: () => setOtherwise(false) });
    return (
        <>
            <dl className="grid grid-cols-[4rem_1fr] gap-x-2 text-sm">
                <dt>{say('back.live')}</dt>
                <dd>{listed(step.live, say('back.nothing-more'))}</dd>
                <dt>{say('back.dead')}</dt>
                <dd>{listed(step.dead, say('back.nothing'))}</dd>
            </dl>
            {step.locked !== null ? (
                <Link className="inline-flex min-h-11 items-center font-bold underline underline-offset-4" to={`/calls/${callId}/make-safe`}>
                    {say('back.locked', { keeper: step.locked })}
                </Link>
            ) : (
                <div className="mt-1 flex flex-wrap gap-2">
                    <Button disabled={observe.isPending} onClick={() => close({})}>
                        {say('back.expected')}
                    </Button>
                    <Button look="quiet" aria-expanded={otherwise} onClick={() => setOtherwise(!otherwise)}>
                        {say('back.otherwise')}
                    </Button>
                </div>
            )}
            {otherwise && (
                <form
                    className="mt-1 space-y-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        close({ asExpected: false, found, trips });
                    }}
                >
                    <label className="block text-sm font-bold">
                        {say('back.found')}
                        <input className={`${inputLook} font-normal`} required maxLength={300} value={found} onChange={(event) => setFound(event.target.value)} />
                    </label>
                    <label className="flex min-h-11 items-center gap-2 text-sm">
                        <input type="checkbox" className="size-5 accent-(--ink)" checked={trips} onChange={() => setTrips(!trips)} />
                        {say('back.trips')}
                    </label>
                    <Button type="submit" disabled={observe.isPending || found.trim() === ''}>
                        {say('back.store')}
                    </Button>
                </form>
            )}
            <Refused error={observe.error} />
        </>
    );
}

function listed(names: string[], none: string): string {
    return names.length === 0 ? none : names.length <= SHOWN ? names.join(', ') : say('back.more', { names: names.slice(0, SHOWN).join(', '), count: names.length - SHOWN });
}
