import { describe, expect, it } from 'vitest';
import { readWays } from './practice';

describe('how a person works, as this device keeps it', () => {
    it('keeps what is a choice and takes the usual for the rest', () => {
        expect(readWays('{"role":"assistant","residual":"roof","loop":"calculated","hat":"hard"}')).toEqual({ role: 'assistant', residual: 'either', loop: 'calculated' });
    });
    it('is the usual where nothing, or nothing sensible, is kept', () => {
        for (const kept of [null, '[]', '7', 'null', '{broken']) {
            expect(readWays(kept)).toEqual({ role: 'electrician', residual: 'either', loop: 'measured' });
        }
    });
});
