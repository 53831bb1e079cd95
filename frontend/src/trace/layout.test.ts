import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { offset, place, ringBack, short, strand } from './layout';

function way(over: Partial<Schemas['WayView']>): Schemas['WayView'] {
    return { circuit: 'c', name: 'C', device: 'w', rating: 'B6', group: null, groupName: '', on: true, terminals: [], stops: [], returns: [], ring: false, clamps: [], controls: [], ...over };
}

function stop(part: string, column: number, row: number, after: string | null): Schemas['StopView'] {
    return { part, place: `p-${part}`, name: part, kind: 'socket', column, row, after, terminals: [], loads: [], assumed: true, controls: [] };
}

describe('place', () => {
    it('puts ways below one another by the rows they need', () => {
        const placed = place([way({ circuit: 'a', stops: [stop('a1', 0, 0, null), stop('a2', 0, 1, 'a1')] }), way({ circuit: 'b', stops: [stop('b1', 0, 0, null)] })]);
        const [a, b] = placed.ways;
        expect(a?.height).toBe(2 * 62 + 20);
        expect(b?.y).toBe((a?.y ?? 0) + 2 * 62 + 20);
        expect(placed.height).toBeGreaterThan((b?.y ?? 0) + 30);
    });

    it('names a group once, at its first way, and never for a device of the way itself', () => {
        const placed = place([way({ group: 'r', groupName: 'Device R' }), way({ group: 'r', groupName: 'Device R' }), way({ device: 'w3', group: 'w3', groupName: 'Way 3' })]);
        expect(placed.ways.map((each) => each.heading)).toEqual(['Device R', null, null]);
    });

    it('leads a branch down from its stop and the main line straight on', () => {
        const placed = place([way({ stops: [stop('a', 0, 0, null), stop('b', 1, 0, 'a'), stop('c', 0, 1, 'a')] })]);
        const [a, b, c] = placed.ways[0]?.stops ?? [];
        expect(a && b && strand(b, 'N')).toBe(`M${a?.x} ${a?.y}H${b?.x}`);
        expect(c && strand(c, 'N')).toContain('V');
        expect(c?.x).toBe(a?.x);
    });

    it('keeps the three conductors apart on every stretch', () => {
        const placed = place([way({ ring: true, stops: [stop('a', 0, 0, null), stop('b', 1, 0, 'a')], returns: [{ from: 'b', to: null }] })]);
        const only = placed.ways[0];
        const paths = ['L', 'N', 'E'].map((role) => (only ? ringBack(only, 'b', role) : ''));
        expect(new Set(paths).size).toBe(3);
        expect(new Set(['L', 'N', 'E'].map(offset)).size).toBe(3);
        expect(only && ringBack(only, 'nowhere', 'L')).toBe('');
    });
});

describe('short', () => {
    it('cuts long names and leaves short ones', () => {
        expect(short('Hall', 13)).toBe('Hall');
        expect(short('Front bedroom left of the chimney', 13)).toBe('Front bedroo…');
    });
});
