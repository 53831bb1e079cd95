import { useState, type ReactNode } from 'react';
import type { Detail, Schemas } from '../../api/client';
import type { Connection, usePrediction } from '../../api/hooks';
import { useSend } from '../../api/hooks';
import { Key } from '../../call/DangerNow';
import { useKeys } from '../../ui/keys';
import { inputLook, Modal, useDraft } from '../../ui/parts';
import { say } from '../../words';
import { useEntering } from '../entering';
import { Expected } from '../Expected';
import { useField } from '../field';
import { Frame, neutralLook, Yellow } from './Frame';
import { columns, FORM, isPictures, keypadFor, ReadingForm, type Desk } from './ReadingForm';
import { Verdict } from './Verdict';

type Instrument = Schemas['InstrumentView'];

export interface InHand {
    instrument: Instrument;
    connection: Connection | null;
    /** Where the leads are, one by one. */
    words: string[];
    /** Name of the test, or of the tester where the leads were put by hand. */
    title: string;
    /** Id of the test of the catalogue. */
    test: string | null;
    hazard: string;
}

interface Props {
    detail: Detail;
    hand: InHand;
    instruments: Instrument[];
    onInstrument: (slug: string) => void;
    prediction: ReturnType<typeof usePrediction>;
    /** What the figure typed would mean; nothing while that is not known. */
    glance: Schemas['GlanceView'] | undefined;
    /** Print of the state of the house as this device has it. */
    state: string;
    after: string | undefined;
    desk: Desk;
    /** Terminals of the point that is chosen. */
    leads: ReactNode;
    onOver: () => void;
    onLift: () => void;
    known: string | undefined;
}

/** One reading: where the leads are, the field, what is expected; then what it was judged. */
export function Enter({ detail, hand, instruments, onInstrument, prediction, glance, state, after, desk, leads, onOver, onLift, known }: Props) {
    const callId = detail.call.id;
    const { instrument, connection, words, title, test, hazard } = hand;
    const [near, setNear] = useDraft(`${callId}.near`);
    const hasHouse = detail.call.houseId !== null;
    const [offMap, setOffMap] = useState(near !== '' || !hasHouse);
    const [choosing, setChoosing] = useState(false);
    const send = useSend(callId);
    const where = offMap ? near : words.join(', ');
    const field = useField({ instrument, connection, near: offMap ? near : null, where, state, test, after, forced: desk.forced, isReady: true });
    const entering = useEntering({
        callId,
        field,
        typing: desk.typing,
        onTyping: desk.onTyping,
        onStored: () => {
            setNear('');
            setOffMap(!hasHouse);
        },
        inRun: false,
    });
    const { raw, last } = entering;
    const isJudged = last !== null && raw === '' && last.key === field?.key;
    const isPlugIn = isPictures(instrument);
    /** Nothing can be stored: the yellow button leads on. */
    const isOver = isJudged || (isPlugIn && raw === '') || field === null;
    useKeys({
        n: () => isJudged && onOver(),
        z: () => last !== null && entering.undo(),
        Escape: onOver,
        t: () => setChoosing(true),
    });
    return (
        <Frame
            detail={detail}
            side={connection && !offMap ? <Expected prediction={prediction} known={known} glance={raw.trim() === '' ? undefined : glance} trap={instrument.trap} /> : undefined}
            neutral={
                isJudged ? (
                    <button type="button" className={neutralLook} onClick={entering.undo}>
                        {say('keypad.undo')}
                        <Key of="Z" />
                    </button>
                ) : isOver ? undefined : (
                    <button type="button" className={neutralLook} onClick={onOver}>
                        {say('prepare.other')}
                        <Key of="Esc" />
                    </button>
                )
            }
            yellow={
                isOver ? (
                    <Yellow hotkey="N" onClick={onOver}>
                        {isJudged ? say('enter.next') : say('prepare.other')}
                    </Yellow>
                ) : (
                    <Yellow hotkey="Enter" disabled={raw.trim() === ''} type="submit" form={FORM}>
                        {say('enter.store')}
                    </Yellow>
                )
            }
            keypad={keypadFor(desk, instrument, field, entering)}
        >
            <div className={columns(instrument)}>
                <div className="min-w-0 compact:hidden">{leads}</div>
                <ReadingForm
                    desk={desk}
                    instrument={instrument}
                    field={field}
                    entering={entering}
                    hazard={instrument.deadOnly ? say('enter.dead-only') : hazard}
                    onWord={entering.change}
                    isJudged={isJudged}
                    heading={
                        <>
                            <p className={`flex items-baseline gap-x-2 leading-tight ${test === null ? 'flex-wrap' : 'flex-wrap *:first:w-full'}`}>
                                <button type="button" className="text-left font-bold underline underline-offset-4" onClick={() => setChoosing(true)}>
                                    {title}
                                    <Key of="T" />
                                </button>
                                {/* A test of the catalogue has its place in its name; put by hand, only this says where. */}
                                <span id="field-where" title={words.join('  →  ')} className={test === null ? 'min-w-0 break-words' : 'min-w-0 flex-1 truncate text-sm text-soft'}>
                                    {offMap ? say('enter.off-map') : words.length === 0 ? missingLeads(instrument) : words.join('  →  ')}
                                </span>
                                {words.length > 0 && !offMap && (
                                    <button type="button" className="text-sm text-soft underline underline-offset-4" onClick={onLift}>
                                        {say('enter.take-off')}
                                    </button>
                                )}
                            </p>
                            {offMap && (
                                <label className="block text-sm font-bold">
                                    {say('field.near')}
                                    <input className={`${inputLook} font-normal`} maxLength={200} value={near} onChange={(event) => setNear(event.target.value)} />
                                </label>
                            )}
                        </>
                    }
                    more={
                        <>
                            {field !== null && isPlugIn && (
                                <button type="button" className="min-h-11 underline underline-offset-4" onClick={() => send({ kind: 'seen', payload: { text: say('patterns.unsteady-record', { where }) } })}>
                                    {say('patterns.unsteady')}
                                </button>
                            )}
                            <label className="inline-flex min-h-11 items-center gap-2">
                                <input type="checkbox" className="size-5 accent-(--ink)" checked={offMap} onChange={(event) => setOffMap(event.target.checked)} />
                                {say('enter.not-on-map')}
                            </label>
                        </>
                    }
                >
                    {last !== null && raw === '' && <Verdict last={last} readings={detail.readings} isNamed={last.key !== field?.key} />}
                </ReadingForm>
            </div>
            {choosing && <Testers instruments={instruments} instrument={instrument} onInstrument={onInstrument} onClose={() => setChoosing(false)} />}
        </Frame>
    );
}

function missingLeads(instrument: Instrument): string {
    const what = instrument.slug === 'device-watch' ? say('leads.device') : instrument.leads.length === 0 ? say('leads.clamp') : say('leads.terminals', { leads: instrument.leads.join(say('leads.and')) });
    return instrument.acts ? say('leads.missing-device', { what }) : say('leads.missing', { what });
}

/** Every tester by its family, with its settings. */
export function Testers({ instruments, instrument, onInstrument, onClose }: { instruments: Instrument[]; instrument: Instrument | null; onInstrument: (slug: string) => void; onClose: () => void }) {
    const families = [...new Set(instruments.map((each) => each.family))];
    return (
        <Modal open onClose={onClose} title={say('testers.title')}>
            <div role="radiogroup" aria-label={say('testers.title')}>
                {families.map((family) => (
                    <section key={family} className="mb-2">
                        <h3 className="text-sm text-soft">{family}</h3>
                        <div className="flex flex-wrap gap-1.5">
                            {instruments
                                .filter((each) => each.family === family)
                                .map((each) => (
                                    <button
                                        key={each.slug}
                                        type="button"
                                        role="radio"
                                        aria-checked={each.slug === instrument?.slug}
                                        className={`min-h-11 rounded-sm border border-ink px-3 ${each.slug === instrument?.slug ? 'bg-ink font-bold text-paper' : 'bg-sheet'}`}
                                        onClick={() => {
                                            onInstrument(each.slug);
                                            onClose();
                                        }}
                                    >
                                        {each.words}
                                    </button>
                                ))}
                        </div>
                    </section>
                ))}
            </div>
        </Modal>
    );
}
