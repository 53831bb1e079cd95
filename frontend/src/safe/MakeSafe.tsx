import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useMap, useObserve, usePicks } from '../api/hooks';
import { people } from '../hear/People';
import { Button, clock, inputLook, Modal, Refused, useDraft } from '../ui/parts';
import { say } from '../words';
import { Locks, Proofs } from './Aside';
import { useFeeding, useScope, type Level } from './hooks';
import { Levers } from './Levers';
import { Temporaries } from './PutBack';
import { Scope } from './Scope';
import { StepForm } from './StepForm';
import { WayBack } from './WayBack';

type Step = Schemas['IsolationStep'];

/** Proving dead begins with the tester: from there on it can be done again at another place. */
const AGAIN_FROM = 'tester-before';

/** Isolation step by step, what was changed for the time being, and the way back. */
export function MakeSafe({ detail }: { detail: Detail }) {
    const callId = detail.call.id;
    const { isolation } = detail;
    const observe = useObserve(callId);
    const map = useMap(callId, detail.call.houseId !== null).data;
    const [skipping, setSkipping] = useState<Step['step'] | null>(null);
    const [chosen, setChosen] = useState<string | null>(null);
    const [chosenLevel, setLevel] = useState<Level | null>(null);
    const [again, setAgain] = useState(false);
    // Scope and place are those of the isolation as stored, until another is chosen.
    const place = chosen ?? isolation.place ?? '';
    const level = chosenLevel ?? (isolation.level as Level | null) ?? 'board';
    const scope = useScope(callId, place, level);
    const picks = usePicks();
    const atRisk = people(detail).occupants.map((slug) => picks.data?.atRisk.find((each) => each.slug === slug)?.words ?? slug);
    const take = (payload: Step) => observe.mutate({ kind: 'isolation', payload });
    const places = placesOf(map);
    const here = places.find((each) => each.slug === place);
    const from = isolation.steps.findIndex((step) => step.step === AGAIN_FROM);
    const complete = isolation.steps.every((step) => step.at !== null);
    const steps = isolation.steps.map((step, at) => ({ ...step, slug: step.step as Step['step'], number: at + 1, open: step.next || (again && at >= from) }));
    return (
        <main className="mx-auto grid max-w-5xl gap-x-8 gap-y-6 px-4 py-6 md:grid-cols-[1fr_20rem]">
            <section className="min-w-0 md:col-start-1">
                <h2 className="mb-1 text-2xl font-bold">{say('safe.title')}</h2>
                {isolation.stopped !== null && <Stopped callId={callId} place={places.find((each) => each.slug === isolation.stopped)?.words ?? ''} />}
                {detail.call.houseId !== null && <Scope places={places} place={place} onPlace={setChosen} level={level} onLevel={setLevel} scope={place === '' ? undefined : scope.data} />}
                <p className="mb-4 text-soft">{say('safe.intro')}</p>
                <ol className="space-y-2">
                    {steps.map((step) => (
                        <li key={step.step} className={`border bg-sheet p-3 ${step.open ? 'border-2 border-ink' : 'border-line'}`}>
                            <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
                                <span className="w-6 font-mono font-bold">{step.number}</span>
                                <div className="min-w-52 flex-1">
                                    <p className={step.open || step.at ? 'font-bold' : 'text-soft'}>{step.words}</p>
                                    {step.open && <p className="mt-1">▲ {step.caution}</p>}
                                    {step.open && step.step === 'warn' && atRisk.length > 0 && <p className="mt-1 font-bold">{say('safe.here', { who: atRisk.join(', ') })}</p>}
                                    {step.at !== null && (
                                        <p className="text-sm text-soft">{step.skipped === null ? say('safe.done-by', { time: clock(step.at), by: step.by ?? '' }) : say('safe.left-out', { reason: step.skipped, time: clock(step.at), by: step.by ?? '' })}</p>
                                    )}
                                </div>
                                {step.open && (
                                    <div className="flex w-full flex-wrap items-end gap-2 sm:pl-10">
                                        <StepForm detail={detail} step={step.slug} place={here ? { id: here.slug, name: here.words } : null} level={level} scope={place === '' ? undefined : scope.data} busy={observe.isPending || scope.isPlaceholderData} onTaken={take} />
                                        {step.next && (
                                            <Button look="quiet" onClick={() => setSkipping(step.slug)}>
                                                {say('safe.leave-out')}
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
                    {complete && !again && <Button onClick={() => setAgain(true)}>{say('safe.again')}</Button>}
                    {complete && (
                        <Button look="quiet" onClick={() => take({ step: 'warn' })}>
                            {say('safe.new')}
                        </Button>
                    )}
                </div>
            </section>
            <aside className="space-y-6 md:col-start-2">
                <Proofs proofs={detail.proofs} />
                <Locks locks={isolation.locks} busy={observe.isPending} onRelease={(lock) => take({ step: 'release', locks: [lock] })} onLeave={() => take({ step: 'left' })} />
                <WayBack detail={detail} />
                <Temporaries detail={detail} />
                {map && <Levers detail={detail} map={map} />}
            </aside>
            <LeaveOut callId={callId} step={skipping} onClose={() => setSkipping(null)} />
        </main>
    );
}

/** A voltage was found: nothing goes on before more is open. */
function Stopped({ callId, place }: { callId: string; place: string }) {
    const feeding = useFeeding(callId, true);
    return (
        <div role="alert" className="mb-4 border-2 border-bad bg-sheet p-4">
            <p className="text-lg font-bold text-bad">◆ {say('safe.stop', { place })}</p>
            <p>{say('safe.stop-do')}</p>
            <ul className="mt-1 list-disc pl-5">
                {feeding.data?.words.map((words) => (
                    <li key={words}>{words}</li>
                ))}
            </ul>
        </div>
    );
}

function LeaveOut({ callId, step, onClose }: { callId: string; step: Step['step'] | null; onClose: () => void }) {
    const observe = useObserve(callId);
    const [reason, setReason] = useDraft(`${callId}.skip`);
    return (
        <Modal open={step !== null} onClose={onClose} title={say('safe.skip-title')}>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (step !== null) {
                        observe.mutate({ kind: 'isolation', payload: { step, skipped: reason } }, {
                            onSuccess: () => {
                                setReason('');
                                onClose();
                            },
                        });
                    }
                }}
            >
                <label className="block font-bold">
                    {say('safe.skip-reason')}
                    <input className={`${inputLook} mt-1 font-normal`} required maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
                </label>
                <Refused error={observe.error} />
                <Button type="submit">{say('safe.skip')}</Button>
            </form>
        </Modal>
    );
}

/** Every place of the house once, boards first. */
function placesOf(map: Schemas['MapView'] | undefined): { slug: string; words: string }[] {
    const all = [...(map?.boards ?? []).map((board) => ({ slug: board.id, words: board.name })), ...(map?.ways.flatMap((way) => way.stops.map((stop) => ({ slug: stop.place, words: stop.name }))) ?? [])];
    return all.filter((each, at) => all.findIndex((other) => other.slug === each.slug) === at);
}
