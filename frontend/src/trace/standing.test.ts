import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { printOf, withPending } from './standing';

const state: Schemas['StateView'] = { positions: { main: 'on' }, lifted: ['a/N@1'], links: [], loads: {}, hash: 'h' };
const done = (...changes: [Schemas['Act']['operation'], string, string][]) => ({ kind: 'done' as const, payload: { changes: changes.map(([operation, subject, value]) => ({ operation, subject, value })) } });

test('what was done and is still on its way stands already', () => {
    const now = withPending(state, [done(['set', 'main', 'off'], ['refit', 'a/N@1', '']), done(['lift', 'b/N@1', ''], ['load', 'hall.front', 'heater'], ['link', 'z', 'a'])]);
    expect(now).toEqual({ positions: { main: 'off' }, lifted: ['b/N@1'], links: [['a', 'z']], loads: { 'hall.front': 'heater' }, hash: 'h' });
});

test('a step of isolation on its way has switched what it says', () => {
    const off = { kind: 'isolation' as const, payload: { step: 'off' as const, switched: ['way1'] } };
    const danger = { kind: 'isolation' as const, payload: { step: 'danger-now' as const } };
    expect(withPending(state, [off, danger], 'main').positions).toEqual({ main: 'off', way1: 'off' });
});

test('other observations on their way change nothing', () => {
    expect(withPending(state, [{ kind: 'measured', payload: { instrument: 'clamp', raw: '1' } }])).toEqual(state);
});

test('a state has the same print before and after the server has it', () => {
    const here = withPending({ ...state, lifted: [] }, [done(['set', 'way1', 'off'], ['set', 'main', 'on'], ['load', 'lamp', 'out'])]);
    expect(printOf(here)).toBe(printOf({ positions: { way1: 'off' }, lifted: [], links: [], loads: { lamp: 'out' }, hash: 'other' }));
    expect(printOf(here)).not.toBe(printOf(state));
});
