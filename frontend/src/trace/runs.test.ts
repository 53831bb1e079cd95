import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { nextOpen } from './runs';

const members = (...raws: (string | null)[]) => raws.map((raw) => ({ raw })) as Schemas['SeriesMemberView'][];

test('a run goes on to the next reading that is open, round the end, and ends when all are taken', () => {
    expect(nextOpen(members('1', null, null), 1)).toBe(2);
    expect(nextOpen(members(null, '1', '2'), 2)).toBe(0);
    expect(nextOpen(members(null, null), -1)).toBe(0);
    expect(nextOpen(members('1', '2'), 0)).toBe(-1);
});
