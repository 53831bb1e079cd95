import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { neighbour, terminalOf } from './mapKeys';

const terminal = (id: string, role: string, access: Schemas['TerminalView']['access']) => ({ id, name: id, key: role, role, access });
const stop = (part: string, terminals: ReturnType<typeof terminal>[] = []) => ({ part, terminals });
const map = {
    ways: [
        { circuit: 'sockets', terminals: [terminal('way1.out', 'L', 'board')], stops: [stop('hall', [terminal('hall.L', 'L', 'cover'), terminal('hall.front-L', 'L', 'front'), terminal('hall.x', 'N', 'conductor')]), stop('landing')] },
        { circuit: 'lights', terminals: [], stops: [] },
    ],
} as unknown as Schemas['MapView'];

describe('keys over the map', () => {
    it('begins at the first circuit', () => {
        expect(neighbour(map, null, 'down')).toEqual({ kind: 'way', id: 'sockets' });
    });
    it('goes from circuit to circuit, and stops at the last', () => {
        expect(neighbour(map, { kind: 'stop', id: 'landing' }, 'down')).toEqual({ kind: 'way', id: 'lights' });
        expect(neighbour(map, { kind: 'way', id: 'lights' }, 'down')).toBeNull();
        expect(neighbour(map, { kind: 'way', id: 'sockets' }, 'up')).toBeNull();
    });
    it('goes along the line from the board and back to it', () => {
        expect(neighbour(map, { kind: 'way', id: 'sockets' }, 'right')).toEqual({ kind: 'stop', id: 'hall' });
        expect(neighbour(map, { kind: 'stop', id: 'hall' }, 'right')).toEqual({ kind: 'stop', id: 'landing' });
        expect(neighbour(map, { kind: 'stop', id: 'landing' }, 'right')).toBeNull();
        expect(neighbour(map, { kind: 'stop', id: 'hall' }, 'left')).toEqual({ kind: 'way', id: 'sockets' });
    });
    it('puts a lead where it can be reached without opening anything, and never on a bare conductor', () => {
        expect(terminalOf(map, { kind: 'stop', id: 'hall' }, 'L')).toBe('hall.front-L');
        expect(terminalOf(map, { kind: 'stop', id: 'hall' }, 'N')).toBeNull();
        expect(terminalOf(map, { kind: 'way', id: 'sockets' }, 'L')).toBe('way1.out');
    });
});
