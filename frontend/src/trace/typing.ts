import { useEffect, useState } from 'react';
import { keep } from '../ui/storage';

/** What was typed for one field, and which reading that field was for. */
export interface Typed {
    /** Test, tester, leads and state that the field was made for. */
    field: string;
    /** Where, in words, for whoever has to say what became of it. */
    where: string;
    raw: string;
}

/** What is typed now, and what was typed for fields that are gone: no digit moves from one field to another. */
export interface Typing {
    now: Typed | null;
    left: Typed[];
}

export const NOTHING: Typing = { now: null, left: [] };

export function typed(typing: Typing, field: string, where: string, raw: string): Typing {
    const other = typing.now !== null && typing.now.field !== field && typing.now.raw.trim() !== '' ? [typing.now] : [];
    return { now: { field, where, raw }, left: [...typing.left.filter((each) => each.field !== field), ...other] };
}

/** The text of a field: only what was typed for this very one. */
export function rawOf(typing: Typing, field: string): string {
    return typing.now?.field === field ? typing.now.raw : (typing.left.find((each) => each.field === field)?.raw ?? '');
}

/** What stands typed and not stored for other fields than this one. */
export function leftBeside(typing: Typing, field: string | null): Typed[] {
    return [...typing.left, ...(typing.now === null ? [] : [typing.now])].filter((each) => each.field !== field && each.raw.trim() !== '');
}

/** Stored or dropped: it is not typed any more. */
export function without(typing: Typing, field: string): Typing {
    return { now: typing.now?.field === field ? null : typing.now, left: typing.left.filter((each) => each.field !== field) };
}

function read(kept: string | null): Typing {
    try {
        const known = JSON.parse(kept ?? 'null') as Typing | null;
        return known !== null && Array.isArray(known.left) ? known : NOTHING;
    } catch {
        return NOTHING;
    }
}

/** What is typed on a call, kept over a reload. */
export function useTyping(callId: string): [Typing, (change: (typing: Typing) => Typing) => void] {
    const key = `yellow-probe.typing.${callId}`;
    const [typing, set] = useState(() => read(localStorage.getItem(key)));
    useEffect(() => keep(key, typing.now === null && typing.left.length === 0 ? null : JSON.stringify(typing)), [key, typing]);
    return [typing, set];
}
