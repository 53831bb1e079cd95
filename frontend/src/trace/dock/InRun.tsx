import { useState, type ReactNode } from 'react';
import type { Detail, Schemas } from '../../api/client';
import { Key } from '../../call/DangerNow';
import { useKeys } from '../../ui/keys';
import { Button, Mark } from '../../ui/parts';
import { say } from '../../words';
import { useEntering } from '../entering';
import { useField } from '../field';
import type { Running } from '../running';
import { leftBeside, without, type Typing } from '../typing';
import { Figures } from './Figures';
import { Frame, neutralLook, Yellow } from './Frame';
import { Hazard } from './Hazard';
import { Keypad } from './Keypad';
import { Patterns } from './Patterns';
import { Verdict } from './Verdict';
import { Forced } from '../Forced';

interface Props {
    detail: Detail;
    running: Running;
    run: Schemas['SeriesView'];
    member: Schemas['SeriesMemberView'];
    instrument: Schemas['InstrumentView'];
    state: string;
    after: string | undefined;
    forced: string[];
    onForced: (forced: string[]) => void;
    typing: Typing;
    onTyping: (change: (typing: Typing) => Typing) => void;
    onEnd: () => void;
    expected: ReactNode;
    isTouch: boolean;
    isLarge: boolean;
    onLarge: () => void;
}

/** A reading of a run: its place, its field, and the one before it. Stored, the next place stands there in the same frame. */
export function InRun({ detail, running, run, member, instrument, state, after, forced, onForced, typing, onTyping, onEnd, expected, isTouch, isLarge, onLarge }: Props) {
    const connection = { terminals: member.terminals, around: member.around };
    const isReady = running.isReady && !running.isOver;
    const field = useField({ instrument, connection, near: null, where: member.words, state, test: member.id, after, forced, isReady });
    const entering = useEntering({ callId: detail.call.id, field, typing, onTyping, onStored: running.stored, inRun: true });
    const [asking, setAsking] = useState<number | null>(null);
    const { raw, last } = entering;
    const many = run.members.length;
    const before = (running.at + many - 1) % many;
    const next = (running.at + 1) % many;
    const done = run.members.filter((each) => each.raw !== null || running.taken.has(each.id)).length;
    const out = run.members.filter((each) => each.outlier);
    // Digits typed belong to this place: leaving it asks what becomes of them.
    const go = (at: number) => (raw.trim() === '' ? running.go(at) : setAsking(at));
    const isPlugIn = instrument.slug === 'plug-in-tester';
    useKeys({ ArrowLeft: () => go(before), ArrowRight: () => go(next), z: () => last !== null && entering.undo(), Escape: onEnd, n: () => (field === null ? onEnd() : isPlugIn && go(next)) });
    return (
        <Frame
            detail={detail}
            side={expected}
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
                    <Yellow hotkey="Enter" disabled={raw.trim() === ''} type="submit" form="reading">
                        {say('enter.store')}
                    </Yellow>
                )
            }
            keypad={isTouch && field !== null && instrument.patterns.length === 0 ? <Keypad raw={raw} onChange={entering.change} onUndo={last === null ? null : entering.undo} /> : undefined}
        >
            <section aria-label={say('run.title')} className={`wide:grid wide:gap-5 ${isPlugIn ? 'wide:grid-cols-[minmax(0,13rem)_minmax(0,1fr)]' : 'wide:grid-cols-[minmax(0,21rem)_minmax(0,1fr)]'}`}>
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
                <form
                    id="reading"
                    aria-label={say('enter.title')}
                    className="min-w-0"
                    onSubmit={(event) => {
                        event.preventDefault();
                        entering.store();
                    }}
                >
                    <p className="text-lg leading-tight font-bold break-words">
                        <span id="field-where">{member.words}</span> <span className="text-sm font-normal text-soft">{say('run.at', { at: running.at + 1, count: many })}</span>
                    </p>
                    <Hazard words={run.hazard} />
                    {running.need === 'unknown' && !running.isOver && (
                        <p role="status" className="text-sm text-soft">
                            {say('run.weighing')}
                        </p>
                    )}
                    {field !== null && isPlugIn && <Patterns onStore={entering.store} />}
                    {field !== null && !isPlugIn && <Figures field={field} instrument={instrument} entering={entering} isLarge={isLarge} isTouch={isTouch} />}
                    {field !== null && !isPlugIn && instrument.patterns.length > 0 && (
                        <div className="mt-1 flex flex-wrap gap-1">
                            {instrument.patterns.map((pattern) => (
                                <button key={pattern} type="button" className="min-h-11 min-w-11 rounded-sm border border-ink px-2 font-mono" onClick={() => entering.store(pattern)}>
                                    {pattern}
                                </button>
                            ))}
                        </div>
                    )}
                    {asking !== null && (
                        <p role="alert" className="flex flex-wrap items-center gap-2">
                            <span className="font-mono font-bold">{raw}</span>
                            <Button
                                onClick={() => {
                                    entering.store();
                                    running.go(asking);
                                    setAsking(null);
                                }}
                            >
                                {say('enter.store-for', { place: member.place })}
                            </Button>
                            <Button
                                look="quiet"
                                onClick={() => {
                                    entering.change('');
                                    running.go(asking);
                                    setAsking(null);
                                }}
                            >
                                {say('reading.drop')}
                            </Button>
                        </p>
                    )}
                    {leftBeside(typing, field?.key ?? null).map((each) => (
                        <p key={each.field} className="flex flex-wrap items-center gap-x-2 border-l-4 border-doubt pl-3 text-sm">
                            <span className="min-w-0 flex-1 break-words">▲ {say('reading.lost', { raw: each.raw, where: each.where })}</span>
                            <Button look="quiet" onClick={() => onTyping((all) => without(all, each.field))}>
                                {say('reading.drop')}
                            </Button>
                        </p>
                    ))}
                    <div className="wide:hidden">{last !== null && raw === '' && <Verdict last={last} readings={detail.readings} isNamed />}</div>
                    <div className="flex flex-wrap items-center gap-x-3 text-sm">
                        <Forced forced={forced} onChange={onForced} />
                        {field !== null && !isPlugIn && (
                            <button type="button" className="min-h-11 underline underline-offset-4" aria-pressed={isLarge} onClick={onLarge}>
                                {say('enter.large')}
                                <Key of="G" />
                            </button>
                        )}
                    </div>
                </form>
            </section>
        </Frame>
    );
}
