import { describe, expect, it } from 'vitest';
import { leftBeside, NOTHING, rawOf, typed, without } from './typing';

describe('typing', () => {
    it('keeps what was typed with the field it was typed for', () => {
        const first = typed(NOTHING, 'a', 'Hall', '9.6');
        expect(rawOf(first, 'a')).toBe('9.6');
        expect(rawOf(first, 'b')).toBe('');
        const second = typed(first, 'b', 'Study', '45');
        expect(rawOf(second, 'b')).toBe('45');
        expect(rawOf(second, 'a')).toBe('9.6');
    });

    it('says what is left typed for another field', () => {
        const typing = typed(typed(NOTHING, 'a', 'Hall', '9.6'), 'b', 'Study', '45');
        expect(leftBeside(typing, 'b')).toEqual([{ field: 'a', where: 'Hall', raw: '9.6' }]);
        expect(leftBeside(typing, 'c').map((each) => each.raw)).toEqual(['9.6', '45']);
        expect(leftBeside(typing, null)).toHaveLength(2);
    });

    it('forgets a text once it is stored, and nothing else', () => {
        const typing = without(typed(typed(NOTHING, 'a', 'Hall', '9.6'), 'b', 'Study', '45'), 'b');
        expect(rawOf(typing, 'b')).toBe('');
        expect(rawOf(typing, 'a')).toBe('9.6');
    });

    it('does not keep a field that was emptied', () => {
        expect(leftBeside(typed(typed(NOTHING, 'a', 'Hall', ' '), 'b', 'Study', '1'), 'b')).toEqual([]);
    });

    it('goes on with a text when its field is back', () => {
        const back = typed(typed(typed(NOTHING, 'a', 'Hall', '9'), 'b', 'Study', '4'), 'a', 'Hall', '9.6');
        expect(rawOf(back, 'a')).toBe('9.6');
        expect(leftBeside(back, 'a').map((each) => each.raw)).toEqual(['4']);
    });
});
