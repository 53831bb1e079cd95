import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { offset, place, ringBack, short, size, spacing, strand } from './layout';

function way(over: Partial<Schemas['WayView']>): Schemas['WayView'] {
    return { circuit: 'c', name: 'C', device: 'w', board: 'b', rating: 'B6', group: null, groupName: '', on: true, terminals: [], stops: [], returns: [], ring: false, clamps: [], controls: [], legs: [], ...over };
}

function stop(part: string, column: number, row: number, after: string | null): Schemas['StopView'] {
    return { part, place: `p-${part}`, name: part, kind: 'socket', column, row, after, terminals: [], loads: [], assumed: true, controls: [], legs: [] };
}

describe('place', () => {
    it('puts ways below one another by the rows they need', () => {
        const placed = place([way({ circuit: 'a', stops: [stop('a1', 0, 0, null), stop('a2', 0, 1, 'a1')] }), way({ circuit: 'b', stops: [stop('b1', 0, 0, null)] })]);
        const [a, b] = placed.ways;
        expect(a?.height).toBe(2 * 62 + 20);
        expect(b?.y).toBe((a?.y ?? 0) + 2 * 62 + 20);
        expect(placed.height).toBeGreaterThan((b?.y ?? 0) + 30);
    });

    it('leaves room over a line, and puts stops closer where there are many', () => {
        const stops = Array.from({ length: 9 }, (_, at) => stop(`s${at}`, at, 0, at === 0 ? null : `s${at - 1}`));
        const [plain, above] = [place([way({ stops })]), place([way({ stops })], spacing(stops), 130)];
        expect((above.ways[0]?.y ?? 0) - (plain.ways[0]?.y ?? 0)).toBe(130);
        expect(above.height - plain.height).toBe(130);
        expect(spacing(stops.slice(0, 6))).toBe(size.column);
        expect(spacing(stops.slice(0, 8))).toBeLessThan(size.column);
        expect(spacing(stops)).toBeLessThan(spacing(stops.slice(0, 8)));
        // Eight of them fit beside the board on a desk.
        expect(place([way({ stops: stops.slice(0, 8) })], spacing(stops.slice(0, 8))).width).toBeLessThanOrEqual(868);
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
