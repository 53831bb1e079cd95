import { useState } from 'react';
import type { Detail } from '../api/client';
import { useMap, useObserve, usePicks } from '../api/hooks';
import { people } from '../hear/People';
import { useScope, type Level } from './hooks';
import { Ledger } from './Ledger';
import { Pairs } from './Pairs';
import { Scope } from './Scope';
import { WayBack } from './WayBack';
import { Button, clock, inputLook, Modal, Pick, Refused, useDraft } from '../ui/parts';

/** Isolation step by step, what was changed for the time being, and the way back. */
export function MakeSafe({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const map = useMap(detail.call.id, detail.call.houseId !== null);
    const [skipping, setSkipping] = useState<string | null>(null);
    const [reason, setReason] = useDraft(`${detail.call.id}.skip`);
    const [place, setPlace] = useState('');
    const [level, setLevel] = useState<Level>('board');
    const [key, setKey] = useDraft(`${detail.call.id}.key`);
    const [again, setAgain] = useState(false);
    const scope = useScope(detail.call.id, place, level);
    const picks = usePicks();
    const atRisk = people(detail).occupants.map((slug) => picks.data?.atRisk.find((each) => each.slug === slug)?.words ?? slug);
    const tick = (step: string, more: Record<string, unknown> = {}) => observe.mutate({ kind: 'isolation', payload: { step, ...more } });
    const places = [{ slug: 'board', words: 'Consumer unit' }, ...(map.data?.ways.flatMap((way) => way.stops.map((stop) => ({ slug: stop.place, words: stop.name }))) ?? [])].filter((each, at, all) => all.findIndex((other) => other.slug === each.slug) === at);
    const complete = detail.isolation.every((step) => step.at !== null);
    const steps = detail.isolation.map((step, at) => ({ ...step, number: at + 1, open: step.next || (again && at >= 6) }));
    return (
        <main className="mx-auto grid max-w-5xl gap-8 px-4 py-6 md:grid-cols-[1fr_20rem]">
            <section>
                <h2 className="mb-1 text-2xl font-bold">Isolate and prove</h2>
                {detail.call.houseId !== null && <Scope places={places} place={place} onPlace={setPlace} level={level} onLevel={setLevel} scope={scope.data} />}
                <p className="mb-4 text-soft">In this order. A step left out needs its reason, and the reason stays on the record.</p>
                <ol className="space-y-2">
                    {steps.map((step) => (
                        <li key={step.step} className={`border bg-sheet p-3 ${step.open ? 'border-2 border-ink' : 'border-line'}`}>
                            <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
                                <span className="w-6 font-mono font-bold">{step.number}</span>
                                <div className="min-w-52 flex-1">
                                    <p className={step.open || step.at ? 'font-bold' : 'text-soft'}>{step.words}</p>
                                    {step.open && <p className="mt-1">▲ {step.caution}</p>}
                                    {step.open && step.step === 'warn' && atRisk.length > 0 && <p className="mt-1 font-bold">Here: {atRisk.join(', ')}.</p>}
                                    {step.at !== null && (
                                        <p className="text-sm text-soft">
                                            {step.skipped === null ? 'Done' : `Skipped: ${step.skipped},`} {clock(step.at)} by {step.by}
                                        </p>
                                    )}
                                </div>
                                {step.open && step.step === 'dead' && (
                                    <div className="w-full space-y-2 pl-10">
                                        {detail.call.houseId === null ? <p className="font-bold">No house yet: a proof belongs to a place. Survey the board first, or treat everything as live.</p> : place === '' ? <div className="max-w-60"><Pick label="At which point" value={place} onChange={setPlace} options={places} /></div> : <Pairs key={place} pairs={scope.data?.pairs ?? []} busy={observe.isPending || scope.isFetching} onAll={(opened) => tick('dead', { place, pairs: scope.data?.pairs ?? [], opened })} />}
                                    </div>
                                )}
                                {step.open && (
                                    <div className="flex flex-wrap items-end gap-2">
                                        {step.step === 'lock' && (
                                            <label className="text-sm font-bold">
                                                Who keeps the key
                                                <input className={`${inputLook} font-normal`} maxLength={80} value={key} onChange={(event) => setKey(event.target.value)} />
                                            </label>
                                        )}
                                        {step.step !== 'dead' && (
                                            <Button look={step.next ? 'next' : 'plain'} disabled={observe.isPending} onClick={() => tick(step.step, step.step === 'lock' && key.trim() !== '' ? { key } : step.step === 'off' && place !== '' ? { level, place } : {})}>
                                                Done
                                            </Button>
                                        )}
                                        {step.next && (
                                            <Button look="quiet" onClick={() => setSkipping(step.step)}>
                                                Leave out
                                            </Button>
                                        )}
                                    </div>
                                )}
                            </div>
                        </li>
                    ))}
                </ol>
                <div className="mt-3 space-y-2">
                    <Refused error={observe.error} />
                    {complete && !again && <Button onClick={() => setAgain(true)}>Prove dead at another point, or again</Button>}
                    {complete && (
                        <Button look="quiet" onClick={() => tick('warn')}>
                            Begin a new isolation
                        </Button>
                    )}
                </div>
            </section>
            <aside className="space-y-6">
                <section className="border-2 border-bad bg-sheet p-4">
                    <h2 className="mb-1 font-bold">Shock, smoke, heat?</h2>
                    <p className="mb-3">The main switch first, whatever the load. Nothing comes before it. Service fuses are never parted on load.</p>
                    <Button look="danger" disabled={observe.isPending} onClick={() => tick('danger-now')}>
                        Danger now: main off
                    </Button>
                </section>
                <section>
                    <h2 className="mb-1 font-bold">Proofs</h2>
                    {detail.proofs.length === 0 && <p className="text-soft">Nothing is proved dead. Treat everything as live.</p>}
                    <ul className="space-y-1">
                        {detail.proofs.map((proof) => (
                            <li key={proof.at + proof.place} className={proof.lapsed ? 'text-soft line-through' : ''}>
                                <span aria-hidden="true">{proof.complete && !proof.lapsed ? '■ ' : '▲ '}</span>
                                {proof.place}: {proof.words}, {clock(proof.at)}
                            </li>
                        ))}
                    </ul>
                    <p className="mt-2 text-sm text-soft">A proof belongs to the terminals proved. Any later switching, linking or reset ends it. The supply side of the main switch stays live.</p>
                </section>
                <WayBack detail={detail} />
                <Ledger detail={detail} />
            </aside>
            <Modal open={skipping !== null} onClose={() => setSkipping(null)} title="Leave this step out">
                <form
                    className="space-y-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (skipping) {
                            observe.mutate({ kind: 'isolation', payload: { step: skipping, skipped: reason } }, {
                                onSuccess: () => {
                                    setSkipping(null);
                                    setReason('');
                                },
                            });
                        }
                    }}
                >
                    <label className="block font-bold">
                        Reason, as it will stand on the record
                        <input className={`${inputLook} mt-1 font-normal`} required maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
                    </label>
                    <Refused error={observe.error} />
                    <Button type="submit">Leave it out</Button>
                </form>
            </Modal>
        </main>
    );
}
