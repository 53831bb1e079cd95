import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve, usePrediction, type Connection } from '../api/hooks';
import { Button, inputLook, Mark, Refused, useDraft } from '../ui/parts';
import { Outcomes } from './NextTest';

type Instrument = Schemas['InstrumentView'];

interface Props {
    callId: string;
    instruments: Instrument[];
    instrument: Instrument;
    onInstrument: (slug: string) => void;
    connection: Connection | null;
    words: string[];
    stateKey: string;
    last: Schemas['ReadingView'] | undefined;
}

/** The tester in hand: where its leads are, what this house should read there, and the reading as it is typed. */
export function Meter({ callId, instruments, instrument, onInstrument, connection, words, stateKey, last }: Props) {
    const prediction = usePrediction(callId, instrument.slug, connection, stateKey);
    const observe = useObserve(callId);
    const [raw, setRaw] = useDraft(`${callId}.raw`);
    const [near, setNear] = useDraft(`${callId}.near`);
    const [offMap, setOffMap] = useState(near !== '');
    const [stored, setStored] = useState<string | null>(null);
    const ready = offMap ? near.trim() !== '' : connection !== null;
    const submit = () => {
        const payload = { instrument: instrument.slug, raw, ...(offMap ? { near } : { connection }) };
        observe.mutate({ kind: 'measured', payload }, {
            onSuccess: () => {
                setStored(raw);
                setRaw('');
                if (offMap) {
                    setNear('');
                    setOffMap(false);
                }
            },
        });
    };
    return (
        <section aria-label="Tester" className="grid gap-x-6 gap-y-1 border-t border-ink bg-sheet px-4 pt-1 pb-2 md:grid-cols-2">
            <div role="radiogroup" aria-label="Tester in hand" className="-mx-4 flex overflow-x-auto border-b border-line px-3 md:col-span-2">
                {instruments.map((each) => (
                    <button key={each.slug} type="button" role="radio" aria-checked={each.slug === instrument.slug} onClick={() => onInstrument(each.slug)} className={`min-h-11 shrink-0 border-b-4 px-2 ${each.slug === instrument.slug ? 'border-ink font-bold' : 'border-transparent text-soft'}`}>
                        {each.words}
                    </button>
                ))}
            </div>
            <form
                className="min-w-0"
                onSubmit={(event) => {
                    event.preventDefault();
                    submit();
                }}
            >
                <p className="min-h-6 break-words">
                    {offMap ? 'At a point the map does not hold yet' : words.length === 0 ? `Tap a point, then ${instrument.leads.length === 0 ? 'what to clamp' : `the terminals for ${instrument.leads.join(' and ')}`}.` : words.join('  →  ')}
                </p>
                {instrument.deadOnly && <p className="text-sm font-bold">▲ On dead conductors only. This page cannot prove that anything is dead.</p>}
                {offMap && (
                    <label className="mt-1 block text-sm font-bold">
                        Where, in words
                        <input className={`${inputLook} font-normal`} maxLength={200} value={near} onChange={(event) => setNear(event.target.value)} />
                    </label>
                )}
                <div className="mt-1 flex items-end gap-2">
                    <label className="min-w-0 flex-1 text-sm">
                        <span className="text-soft">What it shows</span>
                        <input
                            className="block min-h-14 w-full border-b-4 border-ink bg-transparent font-mono text-4xl font-bold"
                            autoComplete="off"
                            autoCapitalize="off"
                            spellCheck={false}
                            maxLength={24}
                            placeholder={instrument.unit === 'lamps' ? '110' : '–'}
                            value={raw}
                            onChange={(event) => {
                                setRaw(event.target.value);
                                setStored(null);
                            }}
                        />
                    </label>
                    <span className="pb-3 font-mono text-xl">{instrument.unit === 'lamps' ? 'L–N L–E N–E' : instrument.slug === 'insulation-tester' ? 'MΩ' : instrument.slug === 'leakage-clamp' ? 'mA' : instrument.unit}</span>
                    <Button type="submit" disabled={!ready || raw.trim() === '' || observe.isPending}>
                        {observe.isPending ? 'Storing …' : 'Store'}
                    </Button>
                </div>
                <div aria-live="polite" className="mt-1 space-y-1">
                    <Refused error={observe.error} />
                    {stored !== null && last && <Verdict reading={last} />}
                </div>
                <label className="mt-1 inline-flex min-h-11 items-center gap-2 text-sm">
                    <input type="checkbox" className="size-5 accent-(--ink)" checked={offMap} onChange={(event) => setOffMap(event.target.checked)} />
                    The point is not on the map
                </label>
            </form>
            <div className="min-w-0" aria-live="polite">
                {connection && !offMap && prediction.isFetching && <p className="text-soft">Working out what this house should read …</p>}
                {connection && !offMap && <Refused error={prediction.error} />}
                {!offMap && prediction.data && !prediction.error && (
                    <>
                        <p className="text-soft">This house should read</p>
                        <p className="font-mono text-lg font-bold">
                            {prediction.data.expected}
                            {prediction.data.range !== '' && <span className="text-sm font-normal"> ({prediction.data.range})</span>}
                        </p>
                        <Outcomes outcomes={prediction.data.outcomes} />
                        {prediction.data.cautions.map((caution) => (
                            <p key={caution} className="mt-1 text-sm font-bold">▲ {caution}</p>
                        ))}
                    </>
                )}
            </div>
        </section>
    );
}

function Verdict({ reading }: { reading: Schemas['ReadingView'] }) {
    if (!reading.placed) {
        return <p>Stored. It is judged once it is placed on the map.</p>;
    }
    return (
        <div>
            <p>
                <span className="font-mono font-bold">{reading.raw}</span> {reading.fit && <Mark of={reading.fit} />}
            </p>
            {reading.judgements.map((judgement) => (
                <details key={judgement.limit}>
                    <summary className="cursor-pointer">
                        <Mark of={judgement.verdict} word={judgement.limit} />: {judgement.sentence}
                    </summary>
                    <p className="pl-4 text-sm">
                        {judgement.working}
                        <br />
                        {judgement.source}
                    </p>
                </details>
            ))}
            {reading.cautions.map((caution) => (
                <p key={caution} className="font-bold">▲ {caution}</p>
            ))}
        </div>
    );
}
