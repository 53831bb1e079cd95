import { useState, type ReactNode } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Settle } from '../hear/Settle';
import { Button, clock, day, inputLook, Mark, percent, Refused, useDraft } from '../ui/parts';

/** The finished story on A4: what was told, made safe, read, found, repaired and proved. */
export function Record({ detail }: { detail: Detail }) {
    const { call, observations, readings } = detail;
    const of = (kind: string) => observations.filter((each) => each.kind === kind);
    const accepted = of('accepted').at(-1);
    const repairs = of('repaired');
    const before = readings.filter((reading) => !reading.afterRepair);
    const after = readings.filter((reading) => reading.afterRepair);
    const ranking = (accepted?.verdict.ranking ?? []) as { title: string; where: string[]; probability: number }[];
    const reasons = (accepted?.verdict.reasons ?? []) as Schemas['ReasonView'][];
    const versions = (accepted?.verdict.versions ?? {}) as Record<string, string>;
    return (
        <main className="mx-auto max-w-4xl px-4 py-6 print:max-w-none print:p-0">
            <div className="no-print mb-6 flex flex-wrap gap-3">
                <Button look={call.stage === 'closed' ? 'next' : 'plain'} onClick={() => window.print()}>Print, A4</Button>
            </div>
            <article className="space-y-5 border border-line bg-sheet p-6 print:border-0 print:p-0">
                <header className="border-b-2 border-ink pb-3">
                    <p className="text-soft">Record of a call, {day(call.openedAt)}</p>
                    <h2 className="text-2xl font-bold break-words">{call.address}</h2>
                    <p className="break-words">{call.customer}</p>
                    {call.stage !== 'closed' && <p className="mt-1 font-bold">▲ Not finished: {call.unsafe.join(' ') || 'this call is still open.'}</p>}
                </header>
                <Part title="Complaint">
                    <p className="break-words">“{call.complaint}”</p>
                    {[...of('told'), ...of('seen')].sort((a, b) => a.position - b.position).map((each) => (
                        <p key={each.id} className="break-words">
                            <span className="text-soft">{clock(each.at)} {each.kind}, {each.by}:</span> {[each.verdict.words, each.payload.text].filter(Boolean).join(': ')}
                            {verdictOn(observations, each.id)}
                        </p>
                    ))}
                </Part>
                {of('done').filter((each) => each.payload.notClamped !== undefined).map((each) => (
                    <p key={each.id} className="font-bold">
                        {clock(each.at)} A neutral was parted without a clamp. Reason: {String(each.payload.notClamped)}
                    </p>
                ))}
                {of('isolation').length > 0 && (
                    <Part title="Made safe">
                        <ul>
                            {of('isolation').map((each) => (
                                <li key={each.id} className={each.payload.skipped ? 'font-bold' : ''}>
                                    <span className="font-mono">{clock(each.at)}</span> {stepWords(detail, each)}
                                </li>
                            ))}
                        </ul>
                    </Part>
                )}
                <Part title={after.length > 0 ? 'Readings before the repair' : 'Readings'}>
                    <Table readings={before} when="before the repair" />
                </Part>
                {accepted && (
                    <Part title="Cause">
                        <p className="text-lg font-bold break-words">{String(accepted.verdict.words)}</p>
                        <p>
                            {String(accepted.payload.knowing)}; {percent(Number(accepted.verdict.probability))} % when it was accepted, {clock(accepted.at)} by {accepted.by}.
                        </p>
                        {accepted.payload.how ? <p className="break-words">How it came about: {String(accepted.payload.how)}</p> : null}
                        <ul className="mt-1">
                            {reasons.slice(0, 6).map((reason) => (
                                <li key={reason.observation}>
                                    {reason.nats > 0 ? '+' : '−'} {reason.sentence}
                                </li>
                            ))}
                        </ul>
                        {ranking.length > 1 && (
                            <p className="mt-1 text-soft">
                                Other causes then: {ranking.slice(1, 4).map((other) => `${other.title} (${percent(other.probability)} %)`).join(', ')}.
                            </p>
                        )}
                    </Part>
                )}
                {of('decided').map((each) => (
                    <Part key={each.id} title={each.payload.choice === 'mend' ? 'Mended on this visit' : 'Made safe and listed'}>
                        <p className="break-words">
                            {String(each.payload.reason)}
                            {each.payload.consent ? ` Agreed by ${(each.payload.consent as { who: string; how: string }).who}, ${(each.payload.consent as { who: string; how: string }).how}, ${clock(each.at)}.` : ''}
                        </p>
                    </Part>
                ))}
                {repairs.length > 0 && (
                    <Part title="Repair">
                        {repairs.map((repair) => (
                            <p key={repair.id} className="break-words">
                                {clock(repair.at)} {repair.by}: {String(repair.payload.text)} {repair.payload.materials ? `Materials: ${String(repair.payload.materials)}.` : ''} {repair.payload.minutes ? `${String(repair.payload.minutes)} min.` : ''}
                            </p>
                        ))}
                        {of('tried').map((each) => (
                            <p key={each.id}>
                                {clock(each.at)} {each.by}: complaint tried again, {each.payload.outcome === 'gone' ? 'gone' : 'still there'}
                            </p>
                        ))}
                    </Part>
                )}
                {after.length > 0 && (
                    <Part title="Readings after the repair">
                        <Table readings={after} when="after the repair" />
                        <p className="mt-1 font-bold">{after.some((reading) => reading.proves) ? '● Proved: a test that failed was repeated and passes.' : '▲ Not proved yet: no failed test was repeated.'}</p>
                    </Part>
                )}
                {of('advised').length > 0 && (
                    <Part title="Advice">
                        {of('advised').map((each) => (
                            <p key={each.id} className="break-words">{String(each.payload.text)}</p>
                        ))}
                    </Part>
                )}
                <footer className="border-t border-line pt-2 text-sm text-soft">
                    <p>Expected values were computed from the survey of this house (version {detail.houseVersion ?? '–'}); they are expectations, not proofs. Local rules and the licensed practice decide.</p>
                    {versions.engine && <p>Computed with engine {versions.engine}, catalogue {versions.catalogue}, rates {versions.priors}, rule set {versions.ruleSet}.</p>}
                </footer>
            </article>
            {call.stage !== 'closed' && <Finish detail={detail} />}
        </main>
    );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
    return (
        <section>
            <h3 className="mb-1 font-bold break-after-avoid">{title}</h3>
            {children}
        </section>
    );
}

/** What became of a symptom, as last said. */
function verdictOn(observations: Detail['observations'], told: string): string {
    const settled = observations.findLast((each) => each.kind === 'settled' && each.payload.observation === told);
    return settled ? ` (${String(settled.payload.verdict).replace('-', ' ')}: ${String(settled.payload.text)})` : '';
}

function stepWords(detail: Detail, each: Detail['observations'][number]): string {
    const step = String(each.payload.step);
    const words = step === 'danger-now' ? 'Danger: main switch opened at once' : (detail.isolation.find((known) => known.step === step)?.words ?? step);
    const place = step === 'dead' && each.payload.place ? ` (${detail.proofs.find((proof) => proof.at === each.at)?.place ?? String(each.payload.place)})` : '';
    return each.payload.skipped ? `Left out: ${words}. Reason: ${String(each.payload.skipped)}` : words + place;
}

function Table({ readings, when }: { readings: Schemas['ReadingView'][]; when: string }) {
    if (readings.length === 0) {
        return <p className="text-soft">None.</p>;
    }
    return (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`Readings ${when}, scrollable`}>
            <table className="w-full border-collapse text-left text-sm">
                <thead>
                    <tr className="border-b border-ink">
                        <th className="py-1 pr-3">Time</th>
                        <th className="py-1 pr-3">Test</th>
                        <th className="py-1 pr-3">Read</th>
                        <th className="py-1 pr-3">Expected</th>
                        <th className="py-1">Judged</th>
                    </tr>
                </thead>
                <tbody>
                    {readings.map((reading) => (
                        <tr key={reading.id} className="break-inside-avoid border-b border-line align-top">
                            <td className="py-1 pr-3 font-mono">{clock(reading.at)}</td>
                            <td className="py-1 pr-3">
                                {reading.where}
                                {reading.instrument === 'plug-in-tester' && <span className="text-soft"> (screening)</span>}
                                {reading.stateWords.length > 0 && <span className="block text-soft">{reading.stateWords.slice(0, 5).join('; ')}{reading.stateWords.length > 5 ? `; and ${reading.stateWords.length - 5} more` : ''}</span>}
                                {reading.cautions.map((caution) => (
                                    <span key={caution} className="block">▲ {caution}</span>
                                ))}
                                {reading.corrections.map((correction) => (
                                    <span key={correction.id} className="block">First typed {reading.original}; corrected: {correction.reason}</span>
                                ))}
                            </td>
                            <td className={`py-1 pr-3 font-mono font-bold whitespace-nowrap ${reading.withdrawn === null ? '' : 'line-through'}`}>{reading.raw}</td>
                            <td className="py-1 pr-3 font-mono">{reading.expected ?? '–'}</td>
                            <td className="py-1">
                                {reading.withdrawn !== null ? (
                                    `Withdrawn: ${reading.withdrawn}`
                                ) : (
                                    <>
                                        {reading.fit && <Mark of={reading.fit} word={reading.fit === 'fits' ? 'As expected' : reading.fit === 'off' ? 'Not as expected' : 'A little off'} />}
                                        {reading.judgements.filter((judgement) => judgement.verdict !== 'good').map((judgement) => (
                                            <span key={judgement.limit} className="block">{judgement.limit}: {judgement.sentence}</span>
                                        ))}
                                        {reading.doubted !== null && <span className="block">Doubted: {reading.doubted}</span>}
                                        {reading.proves && <span className="block font-bold">Proves the repair</span>}
                                    </>
                                )}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function Finish({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const [advice, setAdvice] = useDraft(`${detail.call.id}.advice`);
    const [told, setTold] = useState('');
    return (
        <section className="no-print mt-8 grid gap-6 md:grid-cols-2">
            {detail.unsettled.length > 0 && (
                <div className="border-l-4 border-doubt pl-3 md:col-span-2">
                    <p className="font-bold text-doubt">▲ Each symptom that was told needs its verdict before the call closes.</p>
                    {detail.observations
                        .filter((each) => detail.unsettled.includes(each.id))
                        .map((each) => (
                            <div key={each.id}>
                                <p className="break-words">“{String(each.payload.text)}”</p>
                                <Settle detail={detail} told={each} />
                            </div>
                        ))}
                </div>
            )}
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    observe.mutate({ kind: 'advised', payload: { text: advice } }, { onSuccess: () => setAdvice('') });
                }}
            >
                <label className="block font-bold">
                    Advice to the customer
                    <textarea className={`${inputLook} mt-1 font-normal`} rows={3} required maxLength={2000} value={advice} onChange={(event) => setAdvice(event.target.value)} />
                </label>
                <Button type="submit" disabled={observe.isPending}>Add to the record</Button>
            </form>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    observe.mutate({ kind: 'closed', payload: { text: told } });
                }}
            >
                <label className="block font-bold">
                    Who was told, and how
                    <input className={`${inputLook} mt-1 font-normal`} required maxLength={300} value={told} onChange={(event) => setTold(event.target.value)} />
                </label>
                <Refused error={observe.error} />
                <Button type="submit" disabled={observe.isPending || detail.unsettled.length > 0}>Hand over and close the call</Button>
            </form>
        </section>
    );
}
