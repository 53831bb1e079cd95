import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../api/client';
import { Mark, percent, Refused } from './parts';

describe('percent', () => {
    it('never rounds to certainty', () => {
        expect([0, 0.004, 0.01, 0.344, 0.99, 0.9951, 0.9999, 1].map(percent)).toEqual(['0', '<1', '1', '34', '99', '>99', '>99', '100']);
    });
});

describe('Mark', () => {
    it('has a shape and a word for each judgement', () => {
        for (const [of, shape, word] of [['good', '●', 'Good'], ['doubt', '▲', 'In doubt'], ['bad', '◆', 'Bad'], ['fits', '●', 'As this house should'], ['off', '◆', 'Not what this house should read']]) {
            const html = renderToStaticMarkup(createElement(Mark, { of: of ?? '' }));
            expect(html).toContain(shape);
            expect(html).toContain(word);
        }
    });
});

describe('Refused', () => {
    it('says what the server said, and something useful when the page itself failed', () => {
        expect(renderToStaticMarkup(createElement(Refused, { error: new Refusal(422, 'Voltmeter reads V, not Ω.') }))).toContain('Voltmeter reads V, not Ω.');
        expect(renderToStaticMarkup(createElement(Refused, { error: new TypeError('x is undefined') }))).toContain('what you typed is kept');
        expect(renderToStaticMarkup(createElement(Refused, { error: null }))).toBe('');
    });
});
