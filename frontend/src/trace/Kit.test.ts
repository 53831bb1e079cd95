import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { read, without } from './Kit';

const tester = (slug: string, family: string) => ({ slug, family }) as Schemas['InstrumentView'];

describe('what is not to hand', () => {
    it('names every setting of a missing tester, and never the eyes', () => {
        const all = [tester('loop-no-trip', 'Loop'), tester('loop-high', 'Loop'), tester('lamp', 'Device, lamp'), tester('low-ohm', 'Low ohm')];
        expect(without(all, ['Loop', 'Device, lamp', 'One that was sold'])).toBe('loop-high,loop-no-trip');
        expect(without(all, [])).toBe('');
    });

    it('takes what was kept only when it is a list of words', () => {
        expect(read('["Loop", 3]')).toEqual(['Loop']);
        expect(read(null)).toEqual([]);
        expect(read('{"Loop": true}')).toEqual([]);
        expect(read('not json')).toEqual([]);
    });
});
