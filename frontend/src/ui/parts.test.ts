import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { Refusal } from '../api/client';
import { Mark, Refused } from './parts';

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
