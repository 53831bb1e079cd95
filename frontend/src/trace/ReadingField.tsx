import { useLayoutEffect, useRef, useState } from 'react';
import { useSend } from '../api/hooks';
import type { Schemas } from '../api/client';
import * as outbox from '../outbox/outbox';
import { Button, Mark, Refused } from '../ui/parts';
import { say } from '../words';
import { leftBeside, rawOf, typed, without, type Typing } from './typing';

/** The one reading that a field takes: settled when the field is made, and never looked up again when it is stored. */
export interface Field {
    /** Of test, tester, leads and state. What is typed belongs to this key alone. */
    key: string;
    /** Where it is read, in words. */
    where: string;
    payload: Omit<Schemas['Measured'], 'raw'>;
}

interface Props {
    callId: string;
    instrument: Schemas['InstrumentView'];
    /** Null while leads are missing, or something has to be done first: then nothing can be typed. */
    field: Field | null;
    readings: Schemas['ReadingView'][];
    typing: Typing;
    onTyping: (change: (typing: Typing) => Typing) => void;
    /** After it was handed over, before the server has it. */
    onStored: (field: Field) => void;
    /** In a run the next field is another one: a refused reading stays in its list. */
    inRun: boolean;
}

/** Where a reading is typed. Stored, it leaves the field at once, and the next field stands before the next key is pressed. */
export function ReadingField({ callId, instrument, field, readings, typing, onTyping, onStored, inRun }: Props) {
    const send = useSend(callId);
    const input = useRef<HTMLInputElement>(null);
    const wasTyping = useRef(false);
    const [stored, setStored] = useState<{ id: string; where: string } | null>(null);
    const [refused, setRefused] = useState<{ field: string; error: unknown } | null>(null);
    const raw = field === null ? '' : rawOf(typing, field.key);
    // A refusal finds the field as it is by then, not as it was.
    const now = useRef({ key: field?.key, raw });
    useLayoutEffect(() => {
        now.current = { key: field?.key, raw };
    });
    useLayoutEffect(() => {
        if (wasTyping.current && field !== null) {
            input.current?.focus();
        }
    }, [field?.key]); // eslint-disable-line react-hooks/exhaustive-deps -- only another field takes the focus over
    const change = (text: string) => {
        if (field !== null) {
            onTyping((all) => typed(all, field.key, field.where, text));
            setStored(null);
        }
    };
    const submit = () => {
        if (field === null || raw.trim() === '') {
            return;
        }
        const id = send({ kind: 'measured', payload: { ...field.payload, raw } }, (refusal, entry) => {
            if (!inRun && now.current.key === field.key && now.current.raw === '') {
                outbox.remove(entry);
                onTyping((all) => typed(all, field.key, field.where, raw));
                setRefused({ field: field.key, error: refusal });
            }
        });
        onTyping((all) => without(all, field.key));
        setStored({ id, where: field.where });
        setRefused(null);
        onStored(field);
    };
    const reading = readings.find((each) => each.id === stored?.id);
    const patterns = instrument.slug === 'plug-in-tester' ? [] : instrument.patterns;
    return (
        <form
            onFocus={() => (wasTyping.current = true)}
            onBlur={(event) => {
                // The field that has gone blurs with no successor; a tap elsewhere on the page has one or moves to it.
                if (event.relatedTarget !== null) {
                    wasTyping.current = event.currentTarget.contains(event.relatedTarget);
                }
            }}
            onSubmit={(event) => {
                event.preventDefault();
                submit();
            }}
        >
            {field !== null && (
                <>
                    <div className="mt-1 flex items-end gap-2">
                        <label className="min-w-0 flex-1 text-sm">
                            <span className="text-soft">What it shows</span>
                            <input
                                key={field.key}
                                ref={input}
                                data-reading
                                className="block min-h-14 w-full border-b-4 border-ink bg-transparent font-mono text-4xl font-bold"
                                autoComplete="off"
                                autoCapitalize="off"
                                spellCheck={false}
                                maxLength={24}
                                placeholder={instrument.patterns[0] ?? '–'}
                                value={raw}
                                onChange={(event) => change(event.target.value)}
                            />
                        </label>
                        <span className="pb-3 font-mono text-xl">{instrument.slug === 'plug-in-tester' ? 'L–N L–E N–E' : instrument.typed}</span>
                        <Button type="submit" disabled={raw.trim() === ''}>
                            Store
                        </Button>
                    </div>
                    {instrument.slug === 'plug-in-tester' && <Lamps raw={raw} onChange={change} />}
                    {patterns.length > 0 && (
                        <div className="mt-1 flex flex-wrap gap-1">
                            {patterns.map((pattern) => (
                                <button key={pattern} type="button" aria-pressed={raw === pattern} onClick={() => change(pattern)} className={`min-h-11 min-w-11 rounded-sm border border-ink px-2 font-mono ${raw === pattern ? 'bg-probe font-bold text-[#16243b]' : 'bg-sheet'}`}>
                                    {pattern}
                                </button>
                            ))}
                        </div>
                    )}
                </>
            )}
            <div aria-live="polite" className="mt-1 space-y-1">
                {refused !== null && refused.field === field?.key && <Refused error={refused.error} />}
                {reading && <Verdict reading={reading} named={stored !== null && stored.where !== field?.where} />}
                {leftBeside(typing, field?.key ?? null).map((each) => (
                    <p key={each.field} className="flex flex-wrap items-center gap-x-2 border-l-4 border-doubt pl-3 text-sm">
                        <span className="min-w-0 flex-1 break-words">▲ {say('reading.lost', { raw: each.raw, where: each.where })}</span>
                        <Button look="quiet" onClick={() => onTyping((all) => without(all, each.field))}>
                            {say('reading.drop')}
                        </Button>
                    </p>
                ))}
            </div>
        </form>
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

/** How the reading just stored is judged; named where the field under the hand is already another's. */
function Verdict({ reading, named }: { reading: Schemas['ReadingView']; named: boolean }) {
    if (!reading.placed) {
        return <p>Stored. It is judged once it is placed on the map.</p>;
    }
    return (
        <div>
            <p className="break-words">
                <span className="font-mono font-bold">{reading.raw}</span> {named && reading.where} {reading.fit && <Mark of={reading.fit} />}
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
