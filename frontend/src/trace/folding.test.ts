import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { rows } from './folding';

type MapData = Schemas['MapView'];

const ways = (group: string, count: number, board = 'main') => Array.from({ length: count }, (_, at) => ({ circuit: `${group}${at + 1}`, device: `way-${group}${at + 1}`, group, groupName: `Device ${group}`, board }));
const map = (all: ReturnType<typeof ways>, boards = [{ id: 'main', name: 'Consumer unit' }]) => ({ ways: all, boards }) as unknown as MapData;
const print = (data: MapData, stays: string[] = [], opened: string[] = []) => rows(data, new Set(stays), new Set(opened)).map((row) => (row.is === 'way' ? `${row.number} ${row.way.circuit}` : row.is === 'board' ? `board ${row.name}` : `${row.way.groupName}${row.isFolded ? ` folded ${row.count}` : ''}`));

describe('lines of the map', () => {
    it('keeps twelve circuits in two groups as they are', () => {
        expect(print(map([...ways('A', 6), ...ways('B', 6)]))).toHaveLength(14);
    });
    it('folds the group furthest down first, and only as many as it takes', () => {
        expect(print(map([...ways('A', 5), ...ways('B', 5), ...ways('C', 5)]))).toEqual(['Device A', '1 A1', '2 A2', '3 A3', '4 A4', '5 A5', 'Device B', '6 B1', '7 B2', '8 B3', '9 B4', '10 B5', 'Device C folded 5']);
    });
    it('folds no group in which somebody works, nor one that was unfolded', () => {
        const data = map([...ways('A', 8), ...ways('B', 8)]);
        expect(print(data, ['B3'])).toContain('Device A folded 8');
        expect(print(data, ['B3'])).toContain('11 B3');
        expect(print(data, [], ['main|B'])).toContain('9 B1');
    });
    it('says which board circuits are in where there are two', () => {
        const data = map([...ways('A', 2), ...ways('B', 1, 'shed')], [{ id: 'main', name: 'Consumer unit' }, { id: 'shed', name: 'Shed board' }]);
        expect(print(data)).toEqual(['board Consumer unit', 'Device A', '1 A1', '2 A2', 'board Shed board', 'Device B', '3 B1']);
    });
    it('gives a circuit with a device of its own no heading', () => {
        const data = map([...ways('x', 1), ...ways('y', 1)].map((way) => ({ ...way, group: way.device })));
        expect(print(data)).toEqual(['1 x1', '2 y1']);
    });
});
