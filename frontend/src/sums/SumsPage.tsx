import { useDeferredValue, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { useCalls, useObserve, useSum, useSums } from '../api/hooks';
import { useMay } from '../session/may';
import { Button, inputLook, Pick, Refused, useDraft, Waiting } from '../ui/parts';
import { Drawing } from './Drawing';
import { asText, given } from './typed';

/** The sums of the trade that stand alone: no call is needed, and any result can be put into one. */
export default function SumsPage() {
    const { slug } = useParams();
    const sums = useSums();
    const navigate = useNavigate();
    const sum = sums.data?.find((each) => each.slug === slug) ?? (slug === undefined ? sums.data?.[0] : undefined);
    return (
        <main className="mx-auto grid max-w-5xl gap-6 px-4 py-6 md:grid-cols-[17rem_1fr]">
            <nav aria-label="Sums" className="max-md:hidden">
                <p className="border-b border-ink pb-1 font-bold">Sums</p>
                <ul className="divide-y divide-line">
                    {sums.data?.map((each) => (
                        <li key={each.slug}>
                            <Link to={`/sums/${each.slug}`} aria-current={each.slug === sum?.slug ? 'page' : undefined} className={`block min-h-11 border-l-4 px-3 py-2 ${each.slug === sum?.slug ? 'border-ink font-bold' : 'border-transparent'}`}>
                                {each.words}
                            </Link>
                        </li>
                    ))}
                </ul>
            </nav>
            <div className="md:hidden">
                {sums.data && <Pick label="Sum" value={sum?.slug ?? ''} onChange={(next) => void navigate(`/sums/${next}`)} options={sums.data} />}
            </div>
            <div className="min-w-0">
                <Refused error={sums.error} />
                {sums.isPending && <Waiting what="Fetching the sums" />}
                {sums.data && !sum && <p>There is no such sum. Pick one of the list.</p>}
                {sum && <OneSum key={sum.slug} sum={sum} />}
            </div>
        </main>
    );
}

function OneSum({ sum }: { sum: Schemas['SumView'] }) {
    const [typed, setTyped] = useState<Record<string, string>>({});
    const asked = useDeferredValue(given(sum.inputs, typed));
    const worked = useSum(sum.slug, asked);
    return (
        <section aria-label={sum.words} className="space-y-4">
            <h1 className="text-2xl font-bold">{sum.words}</h1>
            <p className="border-l-4 border-line pl-3 font-mono break-words">{sum.formula}</p>
            <div className="grid gap-6 lg:grid-cols-2">
                <form className="space-y-3" onSubmit={(event) => event.preventDefault()}>
                    {sum.inputs.map((input) => (
                        <One key={input.key} input={input} value={typed[input.key] ?? input.usual} onChange={(value) => setTyped({ ...typed, [input.key]: value })} />
                    ))}
                    {Object.keys(asked).length > 0 && (
                        <Button look="quiet" onClick={() => setTyped({})}>
                            Back to the usual values
                        </Button>
                    )}
                </form>
                <div className="min-w-0 space-y-3" aria-live="polite">
                    <Refused error={worked.error} />
                    {worked.isPending && <Waiting what="Working it out" />}
                    {worked.data && !worked.error && (
                        <>
                            <dl className="divide-y divide-line border-y border-ink bg-sheet">
                                {worked.data.map((figure, at) => (
                                    <div key={figure.words} className="px-3 py-2">
                                        <dt className="text-sm text-soft">{figure.words}</dt>
                                        <dd className={`break-words font-mono font-bold ${at === 0 ? 'text-3xl' : ''} ${figure.warns ? 'text-bad' : ''}`}>
                                            {figure.warns && <span aria-hidden="true">◆ </span>}
                                            {figure.text}
                                            {figure.warns && <span className="sr-only"> (stop and look)</span>}
                                        </dd>
                                    </div>
                                ))}
                            </dl>
                            <Drawing slug={sum.slug} inputs={sum.inputs} typed={asked} figures={worked.data} />
                            <IntoCall text={asText(sum, asked, worked.data)} />
                        </>
                    )}
                    {sum.caution !== '' && <p className="text-sm">▲ {sum.caution}</p>}
                    <p className="text-sm text-soft">{sum.source}. Local rules and the current edition of a standard go first.</p>
                </div>
            </div>
        </section>
    );
}

function One({ input, value, onChange }: { input: Schemas['SumInputView']; value: string; onChange: (value: string) => void }) {
    if (input.kind === 'choice') {
        return <Pick label={input.words} value={value} onChange={onChange} options={input.choices} />;
    }
    return (
        <label className="block font-bold">
            {input.words}
            {input.unit !== '' && <span className="font-normal text-soft"> in {input.unit}</span>}
            <input className={`${inputLook} mt-1 font-mono font-normal`} inputMode={input.kind === 'number' ? 'decimal' : 'text'} type={input.kind === 'date' ? 'date' : 'text'} autoComplete="off" spellCheck={false} maxLength={200} value={value} onChange={(event) => onChange(event.target.value)} />
            {input.kind === 'numbers' && <span className="text-sm font-normal text-soft">Several, with spaces between.</span>}
        </label>
    );
}

/** The result goes into a call as something seen, with the sum that it came from; readings stay readings. */
function IntoCall({ text }: { text: string }) {
    const calls = useCalls();
    const open = calls.data?.pages[0]?.calls ?? [];
    const [callId, setCallId] = useDraft('sums.call');
    const observe = useObserve(callId);
    const [put, setPut] = useState('');
    const may = useMay();
    const call = open.find((each) => each.id === callId);
    if (open.length === 0 || !may('tell')) {
        return null;
    }
    return (
        <div className="space-y-2">
            <Pick label="Use this in a call" value={call?.id ?? ''} onChange={setCallId} empty="Choose the call" options={open.map((each) => ({ slug: each.id, words: `${each.customer}, ${each.address}` }))} />
            <Button disabled={!call || observe.isPending || put === callId + text} onClick={() => observe.mutate({ kind: 'seen', payload: { text } }, { onSuccess: () => setPut(callId + text) })}>
                {observe.isPending ? 'Storing …' : put === callId + text ? 'It stands in the call' : 'Put it into the call'}
            </Button>
            <Refused error={observe.error} />
        </div>
    );
}
