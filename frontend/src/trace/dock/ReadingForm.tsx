import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { Key } from '../../call/DangerNow';
import { Button, Refused } from '../../ui/parts';
import { say } from '../../words';
import type { Entering } from '../entering';
import type { Field } from '../field';
import { Forced } from '../Forced';
import { leftBeside, without, type Typing } from '../typing';
import { Figures } from './Figures';
import { Hazard } from './Hazard';
import { Keypad } from './Keypad';
import { Patterns } from './Patterns';

/** What a reading is typed with, whether by itself or in a run. */
export interface Desk {
    typing: Typing;
    onTyping: (change: (typing: Typing) => Typing) => void;
    forced: string[];
    onForced: (forced: string[]) => void;
    isTouch: boolean;
    isLarge: boolean;
    onLarge: () => void;
}

/** The yellow button stands outside the form that it stores. */
export const FORM = 'reading';

interface Props {
    desk: Desk;
    instrument: Schemas['InstrumentView'];
    /** None while leads are missing, or something has to be done first. */
    field: Field | null;
    entering: Entering;
    /** Test and place of the field, and what has to be known before it is read. */
    heading: ReactNode;
    hazard: string;
    /** A word that the tester shows was tapped. */
    onWord: (word: string) => void;
    isJudged?: boolean;
    /** Below the field: what became of the last one. */
    children?: ReactNode;
    /** Beside what was forced. */
    more?: ReactNode;
}

/** The field for one reading, or the words and pictures its tester shows, and what is typed for fields that are gone. */
export function ReadingForm({ desk, instrument, field, entering, heading, hazard, onWord, isJudged = false, children, more }: Props) {
    const { raw } = entering;
    const isPlugIn = isPictures(instrument);
    return (
        <form
            id={FORM}
            aria-label={say('enter.title')}
            className="min-w-0"
            onSubmit={(event) => {
                event.preventDefault();
                entering.store();
            }}
        >
            {heading}
            <Hazard words={hazard} />
            {field !== null && isPlugIn && <Patterns onStore={entering.store} />}
            {field !== null && !isPlugIn && <Figures field={field} instrument={instrument} entering={entering} isLarge={desk.isLarge} isTouch={desk.isTouch} isJudged={isJudged} />}
            {field !== null && !isPlugIn && instrument.patterns.length > 0 && (
                <div className="mt-1 flex flex-wrap gap-1">
                    {instrument.patterns.map((pattern) => (
                        <button key={pattern} type="button" aria-pressed={raw === pattern} onClick={() => onWord(pattern)} className={`min-h-11 min-w-11 rounded-sm border border-ink px-2 font-mono ${raw === pattern ? 'bg-ink font-bold text-paper' : 'bg-sheet'}`}>
                            {pattern}
                        </button>
                    ))}
                </div>
            )}
            <Refused error={entering.refused} />
            {children}
            {leftBeside(desk.typing, field?.key ?? null).map((each) => (
                <p key={each.field} className="flex flex-wrap items-center gap-x-2 border-l-4 border-doubt pl-3 text-sm">
                    <span className="min-w-0 flex-1 break-words">▲ {say('reading.lost', { raw: each.raw, where: each.where })}</span>
                    <Button look="quiet" onClick={() => desk.onTyping((all) => without(all, each.field))}>
                        {say('reading.drop')}
                    </Button>
                </p>
            ))}
            <div className="flex flex-wrap items-center gap-x-3 text-sm">
                <Forced forced={desk.forced} onChange={desk.onForced} />
                {more}
                {field !== null && !isPlugIn && (
                    <button type="button" className="min-h-11 underline underline-offset-4" aria-pressed={desk.isLarge} onClick={desk.onLarge}>
                        {say('enter.large')}
                        <Key of="G" />
                    </button>
                )}
            </div>
        </form>
    );
}

/** Whether the tester is read as a picture of its lamps. */
export function isPictures(instrument: Schemas['InstrumentView']): boolean {
    return instrument.slug === 'plug-in-tester';
}

/** Keys for a thumb where figures are typed; none for what is tapped, nor where there is a keyboard. */
export function keypadFor(desk: Desk, instrument: Schemas['InstrumentView'], field: Field | null, entering: Entering): ReactNode {
    return desk.isTouch && field !== null && instrument.patterns.length === 0 ? <Keypad raw={entering.raw} onChange={entering.change} onUndo={entering.last === null ? null : entering.undo} /> : undefined;
}

/** Two columns of the dock, the first narrower where lamps need the room. */
export function columns(instrument: Schemas['InstrumentView']): string {
    return `wide:grid wide:gap-5 ${isPictures(instrument) ? 'wide:grid-cols-[minmax(0,7.2rem)_minmax(0,1fr)] roomy:grid-cols-[minmax(0,14rem)_minmax(0,1fr)]' : 'wide:grid-cols-[minmax(0,7.2rem)_minmax(0,1fr)] roomy:grid-cols-[minmax(0,21rem)_minmax(0,1fr)]'}`;
}
