import { useState, type ReactNode } from 'react';
import type { Detail, Schemas } from '../../api/client';
import { Key } from '../../call/DangerNow';
import { useKeys } from '../../ui/keys';
import { Button, Mark } from '../../ui/parts';
import { say } from '../../words';
import { useEntering } from '../entering';
import { useField } from '../field';
import type { Running } from '../running';
import { Frame, neutralLook, Yellow } from './Frame';
import { columns, FORM, isPictures, keypadFor, ReadingForm, type Desk } from './ReadingForm';
import { Verdict } from './Verdict';

interface Props {
    detail: Detail;
    running: Running;
    run: Schemas['SeriesView'];
    member: Schemas['SeriesMemberView'];
    instrument: Schemas['InstrumentView'];
    state: string;
    after: string | undefined;
    desk: Desk;
    onEnd: () => void;
    /** What is expected there, with what the figure typed would mean where one is. */
    expected: (isTyped: boolean) => ReactNode;
}

/** A reading of a run: its place, its field, and the one before it. Stored, the next place stands there in the same frame. */
export function InRun({ detail, running, run, member, instrument, state, after, desk, onEnd, expected }: Props) {
    const connection = { terminals: member.terminals, around: member.around };
    const isReady = running.isReady && !running.isOver;
    const field = useField({ instrument, connection, near: null, where: member.words, state, test: member.id, after, forced: desk.forced, isReady });
    const entering = useEntering({ callId: detail.call.id, field, typing: desk.typing, onTyping: desk.onTyping, onStored: running.stored, inRun: true });
    const [asking, setAsking] = useState<number | null>(null);
    const { raw, last } = entering;
    const many = run.members.length;
    const before = (running.at + many - 1) % many;
    const next = (running.at + 1) % many;
    const done = run.members.filter((each) => each.raw !== null || running.taken.has(each.id)).length;
    const out = run.members.filter((each) => each.outlier);
    // Digits typed belong to this place: leaving it asks what becomes of them.
    const go = (at: number) => (raw.trim() === '' ? running.go(at) : setAsking(at));
    const leave = (at: number, first: () => void) => {
        first();
        running.go(at);
        setAsking(null);
    };
    const isPlugIn = isPictures(instrument);
    useKeys({ ArrowLeft: () => go(before), ArrowRight: () => go(next), z: () => last !== null && entering.undo(), Escape: onEnd, n: () => (field === null ? onEnd() : isPlugIn && go(next)) });
    return (
        <Frame
            detail={detail}
            side={expected(raw.trim() !== '')}
            neutral={
                running.isOver || isPlugIn ? undefined : (
                    <button type="button" className={neutralLook} onClick={() => go(next)}>
                        {say('run.skip', { place: run.members[next]?.place ?? '' })} <span aria-hidden="true">▸</span>
                    </button>
                )
            }
            yellow={
                field === null ? (
                    <Yellow hotkey="N" onClick={onEnd}>
                        {say('run.end')}
                    </Yellow>
                ) : isPlugIn ? (
                    <Yellow hotkey="N" onClick={() => go(next)}>
                        {say('run.skip', { place: run.members[next]?.place ?? '' })}
                    </Yellow>
                ) : (
                    <Yellow hotkey="Enter" disabled={raw.trim() === ''} type="submit" form={FORM}>
                        {say('enter.store')}
                    </Yellow>
                )
            }
            keypad={keypadFor(desk, instrument, field, entering)}
        >
            <section aria-label={say('run.title')} className={columns(instrument)}>
                <div className="min-w-0 text-sm">
                    <h2 className="truncate text-base font-bold" title={run.words}>
                        {run.words}
                    </h2>
                    <p>
                        {say('run.count', { done, count: many })}
                        {done === many && <> {say('run.all')}</>}
                    </p>
                    {run.difference && (
                        <details>
                            <summary className="cursor-pointer">
                                <Mark of={run.difference.verdict} word={run.difference.verdict === 'good' ? say('run.as-it-should') : say('run.not-as-it-should')} />: {run.difference.sentence}
                            </summary>
                            <p className="text-sm">{run.difference.working}</p>
                        </details>
                    )}
                    <div className="compact:hidden">{last !== null && <Verdict last={last} readings={detail.readings} isNamed />}</div>
                    {out.length > 0 && <p className="font-bold text-bad">◆ {say('run.stands-out', { what: out.map((each) => `${each.place} ${each.raw}`).join(', ') })}</p>}
                    <p className="mt-1 flex flex-wrap gap-1.5">
                        <button type="button" className="min-h-11 rounded-sm border border-ink px-2 font-bold" onClick={() => go(before)}>
                            <span aria-hidden="true">◂ </span>
                            {say('run.back', { place: run.members[before]?.place ?? '' })}
                        </button>
                        {last !== null && (
                            <button type="button" className="min-h-11 rounded-sm border border-ink px-2 font-bold" onClick={entering.undo}>
                                {say('keypad.undo')}
                                <Key of="Z" />
                            </button>
                        )}
                        <button type="button" className="min-h-11 px-2 underline underline-offset-4" onClick={onEnd}>
                            {say('run.end')}
                        </button>
                    </p>
                </div>
                <ReadingForm
                    desk={desk}
                    instrument={instrument}
                    field={field}
                    entering={entering}
                    hazard={run.hazard}
                    onWord={entering.store}
                    heading={
                        <>
                            <p className="text-lg leading-tight font-bold break-words">
                                <span id="field-where">{member.words}</span> <span className="text-sm font-normal text-soft">{say('run.at', { at: running.at + 1, count: many })}</span>
                            </p>
                            {running.need === 'unknown' && !running.isOver && (
                                <p role="status" className="text-sm text-soft">
                                    {say('run.weighing')}
                                </p>
                            )}
                        </>
                    }
                >
                    {asking !== null && (
                        <p role="alert" className="flex flex-wrap items-center gap-2">
                            <span className="font-mono font-bold">{raw}</span>
                            <Button onClick={() => leave(asking, entering.store)}>{say('enter.store-for', { place: member.place })}</Button>
                            <Button look="quiet" onClick={() => leave(asking, () => entering.change(''))}>
                                {say('reading.drop')}
                            </Button>
                        </p>
                    )}
                    <div className="wide:hidden">{last !== null && raw === '' && <Verdict last={last} readings={detail.readings} isNamed />}</div>
                </ReadingForm>
            </section>
        </Frame>
    );
}
