import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { need, nextOpen } from './runs';

const off = { operation: 'set', subject: 'main', value: 'off', words: '', backOperation: 'set', backValue: 'on', clampFirst: null } as Schemas['LedgerEntry'];
const member = (id: string, raw: string | null, changes: Schemas['LedgerEntry'][] = []): Schemas['SeriesMemberView'] => ({ id, words: id, place: '', instrument: 'clamp', terminals: [], around: [], changes, steps: [], expected: '', raw, fit: null, expectedAt: null, readAt: null, outlier: false, needsIsolation: false });

describe('nextOpen', () => {
    it('goes round and passes over what is taken, stored or on its way', () => {
        const members = [member('a', '1'), member('b', null), member('c', null)];
        expect(nextOpen(members, 0)).toBe(1);
        expect(nextOpen(members, 0, new Set(['b']))).toBe(2);
        expect(nextOpen(members, 2)).toBe(1);
        expect(nextOpen(members, 0, new Set(['b', 'c']))).toBe(-1);
    });
});

describe('need', () => {
    const settled = { hash: 'h', print: 'p', isSettled: true };
    const prepared = { from: 'h', print: 'q', changes: [off] };

    it('takes the word of the server for the state that it weighed', () => {
        expect(need(member('a', null), 'h', settled, null)).toBe('nothing');
        expect(need(member('a', null, [off]), 'h', settled, null)).toBe('changes');
    });

    it('knows nothing of another state, not even that nothing is needed', () => {
        expect(need(member('a', null), 'h', { hash: 'other', print: 'p', isSettled: true }, null)).toBe('unknown');
        expect(need(member('a', null), 'h', { hash: 'h', print: 'q', isSettled: false }, null)).toBe('unknown');
    });

    it('needs nothing more where the very same was just done, while that is on its way', () => {
        const now = { hash: 'h', print: 'q', isSettled: false };
        expect(need(member('a', null, [off]), 'h', now, prepared)).toBe('nothing');
        expect(need(member('a', null), 'h', now, prepared)).toBe('unknown');
        expect(need(member('a', null, [off]), 'h', { ...now, print: 'r' }, prepared)).toBe('unknown');
    });
});
