import { expect, test } from 'vitest';
import { withPending } from './standing';

const state = { positions: { main: 'on' }, lifted: ['a/N@1'], links: [], loads: {} };
const done = (...changes: [string, string, string][]) => ({ id: '1', callId: 'c', kind: 'done', at: '', payload: { changes: changes.map(([operation, subject, value]) => ({ operation, subject, value })) } });

test('what was done and is still on its way stands already', () => {
    const now = withPending(state, [done(['set', 'main', 'off'], ['refit', 'a/N@1', '']), done(['lift', 'b/N@1', ''], ['load', 'hall.front', 'heater'])]);
    expect(now).toEqual({ positions: { main: 'off' }, lifted: ['b/N@1'], links: [], loads: { 'hall.front': 'heater' } });
});

test('other observations on their way change nothing', () => {
    expect(withPending(state, [{ ...done(), kind: 'measured', payload: { raw: '1' } }])).toEqual(state);
});
