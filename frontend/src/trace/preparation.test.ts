import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { act, after, back, holds, together, type Step } from './preparation';

const STATE: Schemas['StateView'] = { positions: { way1: 'off' }, lifted: ['c/N@1'], links: [['a', 'b']], loads: { heater: 'out' }, hash: 'x' };

const step = (operation: Step['operation'], subject: string, value = '', clampFirst: string | null = null): Step => ({ operation, subject, value, words: `${operation} ${subject}`, backOperation: 'set', backValue: 'on', clampFirst });

describe('holds', () => {
    it.each([
        ['a device that is off', step('set', 'way1', 'off'), true],
        ['a device nobody touched is on', step('set', 'way2', 'on'), true],
        ['a device nobody touched is not off', step('set', 'way2', 'off'), false],
        ['a load that is out', step('load', 'heater', 'out'), true],
        ['a conductor that is lifted', step('lift', 'c/N@1'), true],
        ['a conductor that is lifted is not refitted', step('refit', 'c/N@1'), false],
        ['a link, whichever end is named first', step('link', 'b', 'a'), true],
        ['a link that is not there', step('link', 'a', 'c'), false],
        ['a link that is not there is off', step('unlink', 'a', 'c'), true],
    ])('%s', (_, wanted, expected) => expect(holds(wanted, STATE)).toBe(expected));

    it('holds of every step once it is done', () => {
        const steps = [step('set', 'main', 'off'), step('load', 'lamp', 'off'), step('lift', 'c/E@2'), step('link', 'p', 'q'), step('refit', 'c/N@1'), step('unlink', 'a', 'b')];
        expect(steps.map((each) => holds(each, STATE))).toEqual(steps.map(() => false));
        expect(steps.map((each) => holds(each, after(STATE, steps, null)))).toEqual(steps.map(() => true));
        expect(after(STATE, [], null)).toBe(STATE);
    });
});

describe('together', () => {
    it('confirms what is left up to the first step that needs a reading, and never that one', () => {
        const [off, out, neutral, join] = [step('set', 'main', 'off'), step('load', 'lamp', 'out'), step('lift', 'c/N@1', '', 'c/N'), step('link', 'p', 'q')];
        expect(together([off, out, neutral, join])).toEqual([off, out]);
        expect(together([neutral, join])).toEqual([]);
        expect(together([off, join])).toEqual([off, join]);
    });
});

it('says a step as an act, and its way back', () => {
    expect(act(step('set', 'main', 'off'))).toEqual({ operation: 'set', subject: 'main', value: 'off' });
    expect(back(step('set', 'main', 'off'))).toEqual({ operation: 'set', subject: 'main', value: 'on' });
});
