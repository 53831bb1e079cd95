import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { connect, plugged } from './places';

const instrument = (over: Partial<Schemas['InstrumentView']>) => ({ slug: 'x', leads: [], acts: false, ...over }) as Schemas['InstrumentView'];
const all = () => true;

describe('connect', () => {
    it.each([
        ['two leads that are placed', instrument({ leads: ['A', 'B'] }), ['p', 'q'], [], { terminals: ['p', 'q'], around: [] }],
        ['a lead that is missing', instrument({ leads: ['A', 'B'] }), ['p'], [], null],
        ['more than there are leads', instrument({ leads: ['A'] }), ['p', 'q'], [], { terminals: ['p'], around: [] }],
        ['a jaw', instrument({}), [], ['+c/L'], { terminals: [], around: ['+c/L'] }],
        ['a jaw around nothing', instrument({}), [], [], null],
        ['a tester that acts on a device', instrument({ leads: ['L'], acts: true }), ['p'], ['+d/L'], { terminals: ['p'], around: ['+d/L'] }],
        ['one that acts on no device yet', instrument({ leads: ['L'], acts: true }), ['p'], [], null],
        ['leads without a jaw forget what a jaw was around', instrument({ leads: ['A'] }), ['p'], ['+c/L'], { terminals: ['p'], around: [] }],
    ] as const)('%s', (_, tester, terminals, around, expected) => expect(connect(tester, [...terminals], [...around], all)).toEqual(expected));

    it('forgets terminals that the house does not have any more', () => {
        expect(connect(instrument({ leads: ['A', 'B'] }), ['p', 'gone'], [], (terminal) => terminal !== 'gone')).toBeNull();
    });
});

describe('plugged', () => {
    const stop = (keys: [string, string][], access = 'front') => ({ terminals: keys.map(([key, role]) => ({ id: `s.${key}`, key, role, access, name: key })) }) as Schemas['StopView'];

    it('takes the pins of one outlet, and never of two', () => {
        expect(plugged(stop([['left-L', 'L'], ['right-N', 'N'], ['left-E', 'E'], ['right-L', 'L'], ['right-E', 'E']]), ['L', 'N', 'E'])).toEqual(['s.right-L', 's.right-N', 's.right-E']);
        expect(plugged(stop([['left-L', 'L'], ['right-N', 'N'], ['left-E', 'E']]), ['L', 'N', 'E'])).toBeNull();
    });

    it('finds no outlet behind a cover', () => {
        expect(plugged(stop([['L', 'L'], ['N', 'N'], ['E', 'E']], 'cover-off'), ['L', 'N', 'E'])).toBeNull();
    });
});
