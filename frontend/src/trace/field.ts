import { useState } from 'react';
import type { Schemas } from '../api/client';
import type { Connection } from '../api/hooks';

/** The one reading that a field takes: settled when the field is made, and never looked up again when it is stored. */
export interface Field {
    /** Of test, tester, leads and state. What is typed belongs to this key alone. */
    key: string;
    /** Where it is read, in words. */
    where: string;
    payload: Omit<Schemas['Measured'], 'raw'>;
}

export interface Setting {
    instrument: Schemas['InstrumentView'];
    connection: Connection | null;
    /** Where, in words, when the point is not on the map; null when it is. */
    near: string | null;
    where: string;
    state: string;
    test: string | null;
    after: string | undefined;
    forced: string[];
    isReady: boolean;
}

/** The field for one reading, or none: made once for its test, tester, leads and state, and set up after the entry known then. */
export function useField({ instrument, connection, near, where, state, test, after, forced, isReady }: Setting): Field | null {
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
