import { useState } from 'react';
import type { Schemas } from '../api/client';
import type { Connection, usePrediction } from '../api/hooks';
import { Button, inputLook, useDraft } from '../ui/parts';
import { say } from '../words';
import { Expected } from './Expected';
import { Forced } from './Forced';
import { ReadingField, type Field } from './ReadingField';
import { useTyping } from './typing';

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
    readings: Schemas['ReadingView'][];
    /** The state of the house as this device has it; another state makes another field. */
    state: string;
    /** The test of the catalogue that it is set up for. */
    test: string | null;
    /** Id of the entry known last: what this is set up after. */
    after: string | undefined;
    /** Once a reading was handed over. */
    onStored?: () => void;
    /** What this house should read there as already known, while the rest is worked out. */
    known?: string | undefined;
    /** Takes the leads off again. */
    onLift?: () => void;
    /** In a run the tester is given and its place too: only what is read is asked, and only once the house is ready for it. */
    run?: { where: string; isReady: boolean } | null;
    /** What is done meanwhile to bring out what comes and goes. */
    forced: string[];
    onForced: (forced: string[]) => void;
}

/** The tester in hand: where its leads are, what this house should read there, and the field for what it shows. */
export function Meter({ callId, instruments, instrument, onInstrument, connection, words, prediction, readings, state, test, after, onStored, onLift, known, run = null, forced, onForced }: Props) {
    const [near, setNear] = useDraft(`${callId}.near`);
    const [offMap, setOffMap] = useState(near !== '');
    const [typing, setTyping] = useTyping(callId);
    const isOff = offMap && run === null;
    const field = useField({ callId, instrument, connection, near: isOff ? near : null, where: run?.where ?? (isOff ? near : words.join(', ')), state, test, after, forced, isReady: run === null || run.isReady });
    const stored = () => {
        setNear('');
        setOffMap(false);
        onStored?.();
    };
    return (
        <section aria-label="Tester" className="grid shrink-0 gap-x-6 gap-y-1 border-t border-ink bg-sheet px-4 pt-1 pb-2 md:grid-cols-2">
            {run === null && (
                <div role="radiogroup" aria-label="Tester in hand" className="-mx-4 flex overflow-x-auto border-b border-line px-3 md:col-span-2">
                    {families(instruments).map((each) => (
                        <button key={each.slug} type="button" role="radio" aria-checked={each.family === instrument.family} onClick={() => each.family !== instrument.family && onInstrument(each.slug)} className={`min-h-11 shrink-0 border-b-4 px-2 ${each.family === instrument.family ? 'border-ink font-bold' : 'border-transparent text-soft'}`}>
                            {each.family}
                        </button>
                    ))}
                </div>
            )}
            <div className="min-w-0">
                {run === null && <Settings instruments={instruments.filter((each) => each.family === instrument.family)} instrument={instrument} onInstrument={onInstrument} />}
                {run === null && (
                    <div className="flex min-h-11 flex-wrap items-center justify-between gap-x-3">
                        <p className="min-h-6 min-w-0 flex-1 break-words">{isOff ? 'At a point the map does not hold yet' : words.length === 0 ? missingLeads(instrument) : words.join('  →  ')}</p>
                        {onLift && !isOff && words.length > 0 && (
                            <Button look="quiet" className="px-1" onClick={onLift}>
                                {instrument.leads.length > 0 ? 'Take the leads off' : instrument.slug === 'device-watch' ? 'Another device' : 'Take the clamp off'}
                            </Button>
                        )}
                    </div>
                )}
                {instrument.deadOnly && <p className="text-sm font-bold">▲ On dead conductors only. This page cannot prove that anything is dead.</p>}
                {run !== null && !run.isReady && <p className="text-sm text-soft">{say('reading.prepare')}</p>}
                {isOff && (
                    <label className="mt-1 block text-sm font-bold">
                        Where, in words
                        <input className={`${inputLook} font-normal`} maxLength={200} value={near} onChange={(event) => setNear(event.target.value)} />
                    </label>
                )}
                <ReadingField callId={callId} instrument={instrument} field={field} readings={readings} typing={typing} onTyping={setTyping} onStored={stored} inRun={run !== null} />
                <Forced forced={forced} onChange={onForced} />
                {run === null && (
                    <label className="mt-1 inline-flex min-h-11 items-center gap-2 text-sm">
                        <input type="checkbox" className="size-5 accent-(--ink)" checked={offMap} onChange={(event) => setOffMap(event.target.checked)} />
                        The point is not on the map
                    </label>
                )}
            </div>
            <div className="min-w-0" aria-live="polite">
                {connection && !isOff && <Expected prediction={prediction} known={known} trap={instrument.trap} />}
            </div>
        </section>
    );
}

interface Setting {
    callId: string;
    instrument: Instrument;
    connection: Connection | null;
    near: string | null;
    where: string;
    state: string;
    test: string | null;
    after: string | undefined;
    forced: string[];
    isReady: boolean;
}

/** The field for one reading, or none: made once for its test, tester, leads and state, and set up after the entry known then. */
function useField({ instrument, connection, near, where, state, test, after, forced, isReady }: Setting): Field | null {
    const isPlaced = near === null;
    const key = JSON.stringify([test, instrument.slug, isPlaced ? connection : 'near', state]);
    const [made, setMade] = useState<{ key: string; after: string | undefined } | null>(null);
    const is = isReady && (isPlaced ? connection !== null : near.trim() !== '');
    if (is && made?.key !== key) {
        setMade({ key, after });
    } else if (!is && made !== null) {
        setMade(null);
    }
    if (!is) {
        return null;
    }
    const place = isPlaced ? { connection } : { near };
    const setUpAt = made?.key === key ? made.after : after;
    return { key, where, payload: { instrument: instrument.slug, ...place, ...(isPlaced && test !== null ? { test } : {}), ...(setUpAt === undefined ? {} : { setUpAt }), ...(forced.length > 0 ? { forced: forced as NonNullable<Schemas['Measured']['forced']> } : {}) } };
}

function missingLeads(instrument: Instrument): string {
    const what = instrument.slug === 'device-watch' ? 'the device that tripped or held' : instrument.leads.length === 0 ? 'what to clamp' : `the terminals for ${instrument.leads.join(' and ')}`;
    return `Tap a point, then ${what}${instrument.acts ? ', and the device it acts on' : ''}.`;
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
