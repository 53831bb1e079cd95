import { Link, useNavigate } from 'react-router';
import { useState } from 'react';
import type { Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import { Temporaries } from '../safe/PutBack';
import { Decide } from './Decide';
import { WayBack } from '../safe/WayBack';
import { store } from '../trace/setup';
import { Button, clock, inputLook, Mark, Refused, useDraft } from '../ui/parts';
import { Line } from '../record/Line';
import { say } from '../words';
import { TryAgain } from './TryAgain';

/** The cause accepted, the repair, and the failed tests that have to be repeated before it counts as proved. */
export function PutRight({ detail }: { detail: Detail }) {
    const callId = detail.call.id;
    const observe = useObserve(callId);
    const navigate = useNavigate();
    const [text, setText] = useDraft(`${callId}.repair`);
    const [materials, setMaterials] = useDraft(`${callId}.materials`);
    const [minutes, setMinutes] = useState('');
    const accepted = detail.record.findLast((line) => line.kind === 'accepted' && line.withdrawn === null);
    const grade = detail.observations.find((each) => each.id === accepted?.id)?.verdict.class;
    const repairs = detail.record.filter((line) => line.kind === 'repaired');
    const readings = new Map(detail.readings.map((reading) => [reading.id, reading]));
    const toRepeat = detail.toRepeat.flatMap(({ reading, provedBy }) => {
        const failed = readings.get(reading);
        return failed ? [{ reading: failed, after: provedBy === null ? undefined : readings.get(provedBy) }] : [];
    });
    if (!accepted) {
        return (
            <main className="mx-auto max-w-3xl space-y-4 px-4 py-6">
                <h2 className="text-2xl font-bold">No cause accepted yet</h2>
                <p>Trace until one cause stands clear of the others, then accept it there. What you cannot settle can be reported and left safe.</p>
                <Link className="inline-flex min-h-11 items-center border-2 border-ink bg-probe px-4 font-bold text-[#16243b]" to={`/calls/${callId}/trace`}>
                    On to Trace
                </Link>
            </main>
        );
    }
    const repeat = (reading: Detail['readings'][number]) => {
        store(callId, { instrument: reading.instrument, terminals: reading.terminals, around: reading.around, forced: [], test: null });
        void navigate(`/calls/${callId}/trace`);
    };
    return (
        <main className="mx-auto grid max-w-5xl gap-8 px-4 py-6 md:grid-cols-[1fr_20rem]">
            <div className="space-y-8">
                <section>
                    <h2 className="text-soft">{say('record.cause')}</h2>
                    <Line call={detail.call} line={accepted} strong />
                </section>
                <Decide detail={detail} dangerous={grade === 'D' || grade === 'P'} />
                <section>
                    <h2 className="mb-2 text-xl font-bold">Repair</h2>
                    {repairs.map((repair) => (
                        <Line key={repair.id} call={detail.call} line={repair} />
                    ))}
                    <form
                        className="space-y-3"
                        onSubmit={(event) => {
                            event.preventDefault();
                            observe.mutate({ kind: 'repaired', payload: { text, ...(materials ? { materials } : {}), ...(minutes ? { minutes: Number(minutes) } : {}) } }, {
                                onSuccess: () => {
                                    setText('');
                                    setMaterials('');
                                    setMinutes('');
                                },
                            });
                        }}
                    >
                        <p>▲ Dead, locked and proved at this point before you touch a conductor. Neutrals are parted only with the whole board dead.</p>
                        <label className="block font-bold">
                            What was done, with torque where it is stated
                            <textarea className={`${inputLook} mt-1 font-normal`} rows={3} required maxLength={2000} value={text} onChange={(event) => setText(event.target.value)} />
                        </label>
                        <div className="grid grid-cols-[1fr_8rem] gap-3">
                            <label className="block font-bold">
                                Materials
                                <input className={`${inputLook} mt-1 font-normal`} maxLength={300} value={materials} onChange={(event) => setMaterials(event.target.value)} />
                            </label>
                            <label className="block font-bold">
                                Minutes
                                <input className={`${inputLook} mt-1 font-normal`} inputMode="numeric" pattern="[0-9]*" value={minutes} onChange={(event) => setMinutes(event.target.value)} />
                            </label>
                        </div>
                        <Refused error={observe.error} />
                        <Button type="submit" look={repairs.length === 0 ? 'next' : 'plain'} disabled={observe.isPending}>
                            Store the repair
                        </Button>
                    </form>
                </section>
                {repairs.length > 0 && (
                    <section>
                        <h2 className="mb-1 text-xl font-bold">Prove it</h2>
                        <p className="mb-2 text-soft">A repair without its after-reading is unproved. Bring the house back to the state of the test, dead tests first, then live.</p>
                        <ul className="divide-y divide-line border-y border-line">
                            {toRepeat.map(({ reading, after }) => (
                                    <li key={reading.id} className="flex flex-wrap items-center justify-between gap-3 py-2">
                                        <span className="min-w-0 flex-1 break-words">
                                            {reading.where}: failed with <span className="font-mono font-bold">{reading.raw}</span>
                                            {reading.stateWords.length > 0 && <span className="block text-sm text-soft">Then: {reading.stateWords.slice(0, 4).join(', ')}{reading.stateWords.length > 4 ? ` and ${reading.stateWords.length - 4} more` : ''}</span>}
                                            {after && (
                                                <span className="block">
                                                    <Mark of="good" word="Proved" /> with <span className="font-mono font-bold">{after.raw}</span> at {clock(after.at)}
                                                </span>
                                            )}
                                        </span>
                                        {!after && (
                                            <Button look="next" onClick={() => repeat(reading)}>
                                                Repeat
                                            </Button>
                                        )}
                                    </li>
                            ))}
                        </ul>
                        {toRepeat.length === 0 && <p>No reading failed before the repair. Repeat the test that showed the fault to the customer, and say so in the advice.</p>}
                    </section>
                )}
                {repairs.length > 0 && <TryAgain detail={detail} />}
            </div>
            <aside className="space-y-6">
                <Temporaries detail={detail} />
                <WayBack detail={detail} />
            </aside>
        </main>
    );
}
