import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve, type usePrediction, type Connection } from '../api/hooks';
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
    /** What is expected there. */
    prediction: ReturnType<typeof usePrediction>;
    last: Schemas['ReadingView'] | undefined;
    /** After a reading has reached the server. */
    onStored?: () => void;
    /** What this house should read there as already known, while the rest is worked out. */
    known?: string;
    /** Takes the leads off again. */
    onLift?: () => void;
    /** In a run the tester is given and its place too: only what is read is asked. */
    inRun?: boolean;
    /** What is done meanwhile to bring out what comes and goes. */
    forced?: string[];
    onForced?: (forced: string[]) => void;
}

/** The tester in hand: where its leads are, what this house should read there, and the reading as it is typed. */
export function Meter({ callId, instruments, instrument, onInstrument, connection, words, prediction, last, onStored, onLift, known, inRun = false, forced = [], onForced }: Props) {
    const observe = useObserve(callId);
    const [raw, setRaw] = useDraft(`${callId}.raw`);
    const [near, setNear] = useDraft(`${callId}.near`);
    const [offMap, setOffMap] = useState(near !== '');
    const [stored, setStored] = useState<string | null>(null);
    const ready = offMap ? near.trim() !== '' : connection !== null;
    const submit = () => {
        const payload = { instrument: instrument.slug, raw, ...(forced.length > 0 ? { forced } : {}), ...(offMap ? { near } : { connection }) };
        observe.mutate({ kind: 'measured', payload }, {
            onSuccess: () => {
                setStored(raw);
                onStored?.();
                setRaw('');
                if (offMap) {
                    setNear('');
                    setOffMap(false);
                }
            },
        });
    };
    return (
        <section aria-label="Tester" className="grid shrink-0 gap-x-6 gap-y-1 border-t border-ink bg-sheet px-4 pt-1 pb-2 md:grid-cols-2">
            {!inRun && (
                <div role="radiogroup" aria-label="Tester in hand" className="-mx-4 flex overflow-x-auto border-b border-line px-3 md:col-span-2">
                    {families(instruments).map((each) => (
                        <button key={each.slug} type="button" role="radio" aria-checked={each.family === instrument.family} onClick={() => each.family !== instrument.family && onInstrument(each.slug)} className={`min-h-11 shrink-0 border-b-4 px-2 ${each.family === instrument.family ? 'border-ink font-bold' : 'border-transparent text-soft'}`}>
                            {each.family}
                        </button>
                    ))}
                </div>
            )}
            <form
                className="min-w-0"
                onSubmit={(event) => {
                    event.preventDefault();
                    submit();
                }}
            >
                {!inRun && <Settings instruments={instruments.filter((each) => each.family === instrument.family)} instrument={instrument} onInstrument={onInstrument} />}
                <div className="flex min-h-11 flex-wrap items-center justify-between gap-x-3">
                    <p className="min-h-6 break-words">
                    {offMap ? 'At a point the map does not hold yet' : words.length === 0 ? `Tap a point, then ${instrument.slug === 'device-watch' ? 'the device that tripped or held' : instrument.leads.length === 0 ? 'what to clamp' : `the terminals for ${instrument.leads.join(' and ')}`}${instrument.acts ? ', and the device it acts on' : ''}.` : words.join('  →  ')}
                    </p>
                    {onLift && !offMap && words.length > 0 && (
                        <Button look="quiet" className="px-1" onClick={onLift}>
                            {instrument.leads.length > 0 ? 'Take the leads off' : instrument.slug === 'device-watch' ? 'Another device' : 'Take the clamp off'}
                        </Button>
                    )}
                </div>
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
                            data-reading
                            className="block min-h-14 w-full border-b-4 border-ink bg-transparent font-mono text-4xl font-bold"
                            autoComplete="off"
                            autoCapitalize="off"
                            spellCheck={false}
                            maxLength={24}
                            placeholder={instrument.patterns[0] ?? '–'}
                            value={raw}
                            onChange={(event) => {
                                setRaw(event.target.value);
                                setStored(null);
                            }}
                        />
                    </label>
                    <span className="pb-3 font-mono text-xl">{instrument.slug === 'plug-in-tester' ? 'L–N L–E N–E' : instrument.typed}</span>
                    <Button type="submit" disabled={!ready || raw.trim() === '' || observe.isPending}>
                        {observe.isPending ? 'Storing …' : 'Store'}
                    </Button>
                </div>
                {instrument.slug === 'plug-in-tester' && <Lamps raw={raw} onChange={setRaw} />}
                {instrument.patterns.length > 0 && instrument.slug !== 'plug-in-tester' && (
                    <div className="mt-1 flex flex-wrap gap-1">
                        {instrument.patterns.map((pattern) => (
                            <button key={pattern} type="button" aria-pressed={raw === pattern} onClick={() => setRaw(pattern)} className={`min-h-11 min-w-11 rounded-sm border border-ink px-2 font-mono ${raw === pattern ? 'bg-probe font-bold text-[#16243b]' : 'bg-sheet'}`}>
                                {pattern}
                            </button>
                        ))}
                    </div>
                )}
                <div aria-live="polite" className="mt-1 space-y-1">
                    <Refused error={observe.error} />
                    {stored !== null && last && <Verdict reading={last} />}
                </div>
                {onForced && <Forced forced={forced} onChange={onForced} />}
                {!inRun && (
                    <label className="mt-1 inline-flex min-h-11 items-center gap-2 text-sm">
                        <input type="checkbox" className="size-5 accent-(--ink)" checked={offMap} onChange={(event) => setOffMap(event.target.checked)} />
                        The point is not on the map
                    </label>
                )}
            </form>
            <div className="min-w-0" aria-live="polite">
                {connection && !offMap && prediction.isFetching && !prediction.data && (known === undefined ? <p className="text-soft">Working out what this house should read …</p> : (
                    <>
                        <p className="text-soft">This house should read</p>
                        <p className="font-mono text-lg font-bold">{known}</p>
                    </>
                ))}
                {connection && !offMap && <Refused error={prediction.error} />}
                {!offMap && prediction.data && !prediction.error && (
                    <>
                        <p className="text-soft">This house should read</p>
                        <p className="font-mono text-lg font-bold">
                            {prediction.data.expected}
                            {prediction.data.range !== '' && <span className="text-sm font-normal"> ({prediction.data.range})</span>}
                        </p>
                        <Outcomes outcomes={prediction.data.outcomes} />
                        <p className="mt-1 text-sm text-soft">{prediction.data.bits < 0.01 ? 'It would tell nothing more about the cause.' : `Worth ${prediction.data.bits.toFixed(2)} bit as things stand.`}</p>
                        {prediction.data.path.length > 0 && (
                            <details className="mt-1 text-sm">
                                <summary className="min-h-11 cursor-pointer py-3">The way its current takes</summary>
                                <table className="w-full text-left">
                                    <thead>
                                        <tr>
                                            <th className="font-normal text-soft">Through</th>
                                            <th className="pr-3 font-normal text-soft">current</th>
                                            <th className="font-normal text-soft">resistance</th>
                                        </tr>
                                    </thead>
                                    <tbody>
                                        {prediction.data.path.map((step) => (
                                            <tr key={step.words + String(step.resistancePercent) + String(step.currentPercent)}>
                                                <td className="break-words pr-2">{step.words}</td>
                                                <td className="whitespace-nowrap pr-3 font-mono">{step.currentPercent} %</td>
                                                <td className="whitespace-nowrap font-mono">{step.resistancePercent} %</td>
                                            </tr>
                                        ))}
                                    </tbody>
                                </table>
                            </details>
                        )}
                        <p className="mt-1 text-sm text-soft">{instrument.trap}</p>
                        {prediction.data.cautions.map((caution) => (
                            <p key={caution} className="mt-1 text-sm font-bold">▲ {caution}</p>
                        ))}
                    </>
                )}
            </div>
        </section>
    );
}

const LAMPS = ['L–N', 'L–E', 'N–E'];

/** The three lamps to tap, for a thumb: lit or dark. */
function Lamps({ raw, onChange }: { raw: string; onChange: (raw: string) => void }) {
    const lit = /^[01]{3}$/.test(raw) ? raw : '000';
    return (
        <div className="mt-1 flex gap-1.5" role="group" aria-label="Lamps">
            {LAMPS.map((lamp, at) => (
                <button key={lamp} type="button" aria-pressed={lit[at] === '1'} className={`min-h-11 flex-1 border border-ink px-2 ${lit[at] === '1' ? 'bg-ink font-bold text-paper' : 'bg-sheet'}`} onClick={() => onChange([...lit].map((each, index) => (index === at ? (each === '1' ? '0' : '1') : each)).join(''))}>
                    {lamp} {lit[at] === '1' ? 'lit' : 'dark'}
                </button>
            ))}
        </div>
    );
}

const FORCING = [
    ['load', 'under load'],
    ['heat', 'warmed up'],
    ['rain', 'wetted'],
    ['vibration', 'tapped, wiggled'],
] as const;

/** What was done meanwhile to bring out a fault that comes and goes. A sound reading then says more. */
function Forced({ forced, onChange }: { forced: string[]; onChange: (forced: string[]) => void }) {
    return (
        <details className="text-sm">
            <summary className="min-h-11 cursor-pointer py-3">{forced.length === 0 ? 'Read as it is, nothing forced' : `Forced: ${FORCING.filter(([slug]) => forced.includes(slug)).map(([, words]) => words).join(', ')}`}</summary>
            <fieldset className="grid grid-cols-2 gap-x-3">
                <legend className="text-soft">For a fault that comes and goes: what was done while this was read. It stays ticked for the next reading.</legend>
                {FORCING.map(([slug, words]) => (
                    <label key={slug} className="flex min-h-11 items-center gap-2">
                        <input type="checkbox" className="size-5 accent-(--ink)" checked={forced.includes(slug)} onChange={() => onChange(forced.includes(slug) ? forced.filter((each) => each !== slug) : [...forced, slug])} />
                        {words}
                    </label>
                ))}
            </fieldset>
        </details>
    );
}

/** One of each family of testers, to stand for it. */
function families(instruments: Instrument[]): Instrument[] {
    return instruments.filter((each, at) => instruments.findIndex((other) => other.family === each.family) === at);
}

/** The settings of the tester in hand, where it has several. */
function Settings({ instruments, instrument, onInstrument }: { instruments: Instrument[]; instrument: Instrument; onInstrument: (slug: string) => void }) {
    if (instruments.length < 2) {
        return null;
    }
    return (
        <label className="flex min-h-11 items-center gap-2 pb-2 text-sm">
            <span className="text-soft">Set to</span>
            <select className="min-h-11 min-w-0 flex-1 rounded-sm border border-ink bg-sheet px-2" value={instrument.slug} onChange={(event) => onInstrument(event.target.value)}>
                {instruments.map((each) => (
                    <option key={each.slug} value={each.slug}>
                        {each.words}
                    </option>
                ))}
            </select>
        </label>
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
