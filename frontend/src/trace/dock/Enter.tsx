import { useState, type ReactNode } from 'react';
import type { Detail, Schemas } from '../../api/client';
import type { Connection, usePrediction } from '../../api/hooks';
import { useSend } from '../../api/hooks';
import { Key } from '../../call/DangerNow';
import { useKeys } from '../../ui/keys';
import { Button, inputLook, Modal, Refused, useDraft } from '../../ui/parts';
import { say } from '../../words';
import { useEntering } from '../entering';
import { Expected } from '../Expected';
import { useField } from '../field';
import { Forced } from '../Forced';
import { leftBeside, without, type Typing } from '../typing';
import { Figures } from './Figures';
import { Frame, neutralLook, Yellow } from './Frame';
import { Hazard } from './Hazard';
import { Keypad } from './Keypad';
import { Patterns } from './Patterns';
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
    forced: string[];
    onForced: (forced: string[]) => void;
}

interface Props {
    detail: Detail;
    hand: InHand;
    instruments: Instrument[];
    onInstrument: (slug: string) => void;
    prediction: ReturnType<typeof usePrediction>;
    glance: (raw: string) => Schemas['GlanceView'] | undefined;
    /** Print of the state of the house as this device has it. */
    state: string;
    after: string | undefined;
    typing: Typing;
    onTyping: (change: (typing: Typing) => Typing) => void;
    /** Terminals of the point that is chosen. */
    leads: ReactNode;
    onOver: () => void;
    onLift: () => void;
    isTouch: boolean;
    isLarge: boolean;
    onLarge: () => void;
    known: string | undefined;
    onStored: () => void;
}

/** One reading: where the leads are, the field, what is expected; then what it was judged. */
export function Enter({ detail, hand, instruments, onInstrument, prediction, glance, state, after, typing, onTyping, leads, onOver, onLift, isTouch, isLarge, onLarge, known, onStored }: Props) {
    const callId = detail.call.id;
    const { instrument, connection, words, title, test, hazard, forced, onForced } = hand;
    const [near, setNear] = useDraft(`${callId}.near`);
    const hasHouse = detail.call.houseId !== null;
    const [offMap, setOffMap] = useState(near !== '' || !hasHouse);
    const [choosing, setChoosing] = useState(false);
    const send = useSend(callId);
    const where = offMap ? near : words.join(', ');
    const field = useField({ instrument, connection, near: offMap ? near : null, where, state, test, after, forced, isReady: true });
    const entering = useEntering({
        callId,
        field,
        typing,
        onTyping,
        onStored: () => {
            setNear('');
            setOffMap(!hasHouse);
            onStored();
        },
        inRun: false,
    });
    const { raw, last } = entering;
    const isJudged = last !== null && raw === '' && last.key === field?.key;
    const isPlugIn = instrument.slug === 'plug-in-tester';
    /** Nothing can be stored: the yellow button leads on. */
    const isOver = isJudged || (isPlugIn && raw === '') || field === null;
    const others = leftBeside(typing, field?.key ?? null);
    useKeys({
        n: () => isJudged && onOver(),
        z: () => last !== null && entering.undo(),
        Escape: onOver,
        t: () => setChoosing(true),
    });
    return (
        <Frame
            detail={detail}
            side={connection && !offMap ? <Expected prediction={prediction} known={known} glance={raw.trim() === '' ? undefined : glance(raw)} trap={instrument.trap} /> : undefined}
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
                    <Yellow hotkey="Enter" disabled={raw.trim() === ''} type="submit" form="reading">
                        {say('enter.store')}
                    </Yellow>
                )
            }
            keypad={isTouch && field !== null && !isPlugIn && instrument.patterns.length === 0 ? <Keypad raw={raw} onChange={entering.change} onUndo={last === null ? null : entering.undo} /> : undefined}
        >
            <div className={`wide:grid wide:gap-5 ${isPlugIn ? 'wide:grid-cols-[minmax(0,14rem)_minmax(0,1fr)]' : 'wide:grid-cols-[minmax(0,21rem)_minmax(0,1fr)]'}`}>
                <div className="min-w-0 compact:hidden">{leads}</div>
                <form
                    id="reading"
                    aria-label={say('enter.title')}
                    className="min-w-0"
                    onSubmit={(event) => {
                        event.preventDefault();
                        entering.store();
                    }}
                >
                    <p className="flex flex-wrap items-baseline gap-x-2 leading-tight">
                        <button type="button" className="font-bold underline underline-offset-4" onClick={() => setChoosing(true)}>
                            {title}
                            <Key of="T" />
                        </button>
                        <span id="field-where" className="min-w-0 break-words">
                            {offMap ? say('enter.off-map') : words.length === 0 ? missingLeads(instrument) : words.join('  →  ')}
                        </span>
                        {words.length > 0 && !offMap && (
                            <button type="button" className="text-sm text-soft underline underline-offset-4" onClick={onLift}>
                                {say('enter.take-off')}
                            </button>
                        )}
                    </p>
                    {instrument.deadOnly && <p className="text-sm font-bold">▲ {say('enter.dead-only')}</p>}
                    {!instrument.deadOnly && <Hazard words={hazard} />}
                    {offMap && (
                        <label className="block text-sm font-bold">
                            {say('field.near')}
                            <input className={`${inputLook} font-normal`} maxLength={200} value={near} onChange={(event) => setNear(event.target.value)} />
                        </label>
                    )}
                    {field !== null && isPlugIn && (
                        <>
                            <Patterns onStore={entering.store} />
                            <button type="button" className="min-h-11 text-sm underline underline-offset-4" onClick={() => send({ kind: 'seen', payload: { text: say('patterns.unsteady-record', { where }) } })}>
                                {say('patterns.unsteady')}
                            </button>
                        </>
                    )}
                    {field !== null && !isPlugIn && <Figures field={field} instrument={instrument} entering={entering} isLarge={isLarge} isTouch={isTouch} isJudged={isJudged} />}
                    {field !== null && !isPlugIn && instrument.patterns.length > 0 && (
                        <div className="mt-1 flex flex-wrap gap-1">
                            {instrument.patterns.map((pattern) => (
                                <button key={pattern} type="button" aria-pressed={raw === pattern} onClick={() => entering.change(pattern)} className={`min-h-11 min-w-11 rounded-sm border border-ink px-2 font-mono ${raw === pattern ? 'bg-ink font-bold text-paper' : 'bg-sheet'}`}>
                                    {pattern}
                                </button>
                            ))}
                        </div>
                    )}
                    <Refused error={entering.refused} />
                    {last !== null && raw === '' && <Verdict last={last} readings={detail.readings} isNamed={last.key !== field?.key} />}
                    {others.map((each) => (
                        <p key={each.field} className="flex flex-wrap items-center gap-x-2 border-l-4 border-doubt pl-3 text-sm">
                            <span className="min-w-0 flex-1 break-words">▲ {say('reading.lost', { raw: each.raw, where: each.where })}</span>
                            <Button look="quiet" onClick={() => onTyping((all) => without(all, each.field))}>
                                {say('reading.drop')}
                            </Button>
                        </p>
                    ))}
                    <div className="flex flex-wrap items-center gap-x-3 text-sm">
                        <Forced forced={forced} onChange={onForced} />
                        <label className="inline-flex min-h-11 items-center gap-2">
                            <input type="checkbox" className="size-5 accent-(--ink)" checked={offMap} onChange={(event) => setOffMap(event.target.checked)} />
                            {say('enter.not-on-map')}
                        </label>
                        {field !== null && !isPlugIn && (
                            <button type="button" className="min-h-11 underline underline-offset-4" aria-pressed={isLarge} onClick={onLarge}>
                                {say('enter.large')}
                                <Key of="G" />
                            </button>
                        )}
                    </div>
                </form>
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
