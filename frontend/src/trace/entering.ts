import { useLayoutEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { useSend } from '../api/hooks';
import * as outbox from '../outbox/outbox';
import { say } from '../words';
import type { Field } from './field';
import { rawOf, typed, without, type Typing } from './typing';

interface Options {
    callId: string;
    field: Field | null;
    typing: Typing;
    onTyping: (change: (typing: Typing) => Typing) => void;
    /** After it was handed over, before the server has it. */
    onStored: (field: Field) => void;
    /** In a run the next field is another one: a refused reading stays in its list. */
    inRun: boolean;
}

export interface Stored {
    id: string;
    where: string;
    raw: string;
    /** Of the field that it was typed in. */
    key: string;
}

export interface Entering {
    raw: string;
    change: (raw: string) => void;
    /** Hands over what is typed, or what was tapped. */
    store: (tapped?: string) => void;
    last: Stored | null;
    /** What was refused for the field that is open. */
    refused: unknown;
    /** Takes the last one back: it stays in the record as withdrawn. */
    undo: () => void;
}

/** What is typed into the field that is open, and what becomes of it. */
export function useEntering({ callId, field, typing, onTyping, onStored, inRun }: Options): Entering {
    const send = useSend(callId);
    const [last, setLast] = useState<Stored | null>(null);
    const [refused, setRefused] = useState<{ field: string; error: unknown } | null>(null);
    const raw = field === null ? '' : rawOf(typing, field.key);
    // A refusal finds the field as it is by then, not as it was.
    const now = useRef({ key: field?.key, raw });
    useLayoutEffect(() => {
        now.current = { key: field?.key, raw };
    });
    const store = (tapped?: string) => {
        const text = tapped ?? raw;
        if (field === null || text.trim() === '') {
            return;
        }
        const payload: Schemas['Measured'] = { ...field.payload, raw: text };
        const id = send({ kind: 'measured', payload }, (refusal, entry) => {
            if (!inRun && now.current.key === field.key && now.current.raw === '') {
                outbox.remove(entry);
                onTyping((all) => typed(all, field.key, field.where, text));
                setRefused({ field: field.key, error: refusal });
                setLast(null);
            }
        });
        onTyping((all) => without(all, field.key));
        setLast({ id, where: field.where, raw: text, key: field.key });
        setRefused(null);
        onStored(field);
    };
    return {
        raw,
        change: (text) => field !== null && onTyping((all) => typed(all, field.key, field.where, text)),
        store,
        last,
        refused: refused !== null && refused.field === field?.key ? refused.error : null,
        undo: () => {
            if (last !== null) {
                // After the reading in the same order, so it finds it stored; also when both wait for a signal.
                send({ kind: 'withdrawn', payload: { observation: last.id, reason: say('enter.undone') } });
                setLast(null);
            }
        },
    };
}
