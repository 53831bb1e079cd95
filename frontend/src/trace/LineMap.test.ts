import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { LineMap } from './LineMap';

type MapData = Schemas['MapView'];

const terminal = (part: string, key: string, role: string) => ({ id: `${part}.${key}`, key, role, access: 'front', name: `${part} ${key}` });

function map(live: Record<string, string>): MapData {
    return {
        houseId: 'h',
        version: 1,
        name: 'House',
        supply: 'TN-S, 230 V',
        main: 'main',
        mainOn: true,
        origin: [],
        ways: [
            {
                circuit: 'c',
                name: 'A circuit with a name that is too long for its box',
                device: 'way1',
                board: 'b',
                rating: 'B16',
                group: 'rcd',
                groupName: 'Device A',
                on: true,
                terminals: [terminal('way1', 'out', 'L')],
                stops: [{ part: 's', place: 'p-s', name: 'Hall', kind: 'socket', column: 0, row: 0, after: null, terminals: [terminal('s', 'L', 'L'), terminal('s', 'N', 'N'), terminal('s', 'E', 'E')], loads: [], assumed: true, controls: [], legs: [] }],
                returns: [],
                ring: false,
                clamps: [],
                controls: [],
                legs: [],
            },
        ],
        loads: [],
        switches: [],
        deviceClamps: [],
        live,
        findings: [],
        watches: [],
        links: [],
        levers: [],
        boards: [],
        dangers: [],
        colours: { L: '#8a4b21', N: '#1f62b8', E: '#2f7d3a' },
    };
}

const STATE: Schemas['StateView'] = { positions: {}, lifted: [], links: [], loads: {}, hash: 'x' };

function draw(data: MapData, over: Partial<Parameters<typeof LineMap>[0]> = {}): string {
    return renderToStaticMarkup(createElement(LineMap, { map: data, run: null, at: 0, onGo: () => undefined, onZoom: () => undefined, plan: null, state: STATE, readings: [], causes: [], probes: [], loop: new Set<string>(), suspected: new Set<string>(), proved: new Map<string, string>(), selected: null, onSelect: () => undefined, onSwitch: () => undefined, ...over }));
}

describe('LineMap', () => {
    it('says of each conductor what is expected, and never that it is dead', () => {
        const html = draw(map({ 's.L': 'expected-live', 's.N': 'may-be-live', 's.E': 'expected-dead' }));
        expect(html).toContain('aria-label="Hall: L expected live, N may be live, E expected dead"');
        expect(html.replaceAll('expected dead', '')).not.toMatch(/\bdead\b/);
    });

    it('takes the more cautious word where two terminals of a conductor differ', () => {
        const data = map({ 's.L': 'expected-dead', 's.front-L': 'may-be-live' });
        data.ways[0]?.stops[0]?.terminals.push(terminal('s', 'front-L', 'L'));
        expect(draw(data)).toContain('L may be live');
    });

    it('tells live, may be live and expected dead apart by more than colour', () => {
        const html = draw(map({ 's.L': 'expected-live', 's.N': 'may-be-live', 's.E': 'expected-dead' }));
        const strands = [...html.matchAll(/<path [^>]*class="conductor"[^>]*>/g)].map((match) => match[0]);
        expect(strands).toHaveLength(3);
        expect(strands[0]).toMatch(/stroke-width="2.6"/);
        expect(strands[0]).not.toMatch(/stroke-dasharray/);
        expect(strands[1]).toMatch(/stroke-dasharray="9 3"/);
        expect(strands[2]).toMatch(/opacity="0.6"/);
    });

    it('shows a proof with its time, a suspicion in words, and both probes', () => {
        const html = draw(map({}), { proved: new Map([['p-s', '2026-11-20T14:06:00']]), suspected: new Set(['p-s']), probes: [{ lead: 'A', terminal: 's.L' }, { lead: 'B', terminal: 'way1.out' }] });
        expect(html).toContain('proved dead here at 14:06');
        expect(html).toContain('under suspicion');
        expect(html.match(/fill="#ffd60a"/g)).toHaveLength(2);
    });

    it('draws the loop of the current on the conductors it takes and no others', () => {
        const loops = (html: string) => html.match(/stroke-width="6"/g)?.length ?? 0;
        expect(loops(draw(map({})))).toBe(0);
        expect(loops(draw(map({}), { loop: new Set(['s|L', 's|E']) }))).toBe(2);
    });

    it('shows what is lifted, plugged in, linked and switched where it is', () => {
        const data = map({});
        const stop = data.ways[0]?.stops[0];
        stop?.controls.push(
            { operation: 'joint', subject: 'c-r1/N@2', name: 'Neutral', value: 'lift', options: [], clampFirst: 'c-r1/N' },
            { operation: 'load', subject: 's.front', name: 'Heater', value: 'heater', options: [], clampFirst: null },
        );
        data.links.push({ a: 's.L', b: 'way1.out', words: 'Hall to way' });
        const html = draw(data);
        expect(html).toContain(', lifted, 2 kW"');
        expect(html).toContain('aria-label="Test link: Hall to way"');
        expect(html).not.toContain('aria-label="Switch');
        expect(draw(data, { selected: { kind: 'way', id: 'c' } })).toContain('aria-label="Switch A circuit with a name that is too long for its box off"');
    });

    it('cuts a long name and keeps it whole for those who ask', () => {
        const html = draw(map({}));
        expect(html).toContain('A circuit with a n…');
        expect(html).toContain('<title>A circuit with a name that is too long for its box, B16, on</title>');
    });

    it('folds circuits that nobody works on to a line, and opens the one of what is chosen or likely', () => {
        const data = map({});
        const [first] = data.ways;
        data.ways = ['c', 'd', 'e', 'f'].map((circuit) => ({ ...(first as MapData['ways'][number]), circuit, name: `Circuit ${circuit}`, device: `way-${circuit}`, stops: (first?.stops ?? []).map((stop) => ({ ...stop, part: `s-${circuit}`, place: `p-${circuit}`, name: `Point ${circuit}`, terminals: [terminal(`s-${circuit}`, 'L', 'L')] })) }));
        const open = (html: string) => [...html.matchAll(/aria-label="Circuit Circuit (\w)"/g)].map((match) => match[1]);
        expect(open(draw(data))).toEqual(['c']);
        expect(open(draw(data, { causes: ['p-e', 'p-d'] }))).toEqual(['e']);
        expect(open(draw(data, { selected: { kind: 'stop', id: 's-f' } }))).toEqual(['f']);
        // Two stand open for what lies between two.
        expect(open(draw(data, { selected: { kind: 'stop', id: 's-f' }, probes: [{ lead: 'A', terminal: 's-d.L' }] }))).toEqual(['d', 'f']);
        const html = draw(data, { suspected: new Set(['p-e']) });
        expect(html).toContain('aria-label="Way: Circuit d, B16, on"');
        expect(html).toContain('aria-label="Point e: on a folded circuit, under suspicion"');
    });

    it('puts the readings of a run over their points, and the one that stands out by more than colour', () => {
        const member = { id: 'm', words: 'Loop at Hall', place: 'Hall', instrument: 'loop', terminals: ['s.L'], around: [], changes: [], steps: [], expected: '0.30 Ω', raw: '0.86', fit: 'off', expectedAt: 0.3, readAt: 0.9, outlier: true, needsIsolation: false };
        const html = draw(map({}), { run: { id: 'r', words: 'Loop', needs: '', cannotShow: '', hazard: '', members: [member], difference: null, stateHash: 'x' } });
        expect(html).toContain('aria-label="Hall: 0.86, expected 0.30 Ω, stands out"');
        expect(html).toMatch(/l8 8-8 8-8-8z/);
        const apart = draw(map({}), { run: { id: 'r', words: 'Loop', needs: '', cannotShow: '', hazard: '', members: [{ ...member, terminals: ['elsewhere.L'], raw: null, readAt: null, outlier: false }], difference: null, stateHash: 'x' } });
        expect(apart).toContain('aria-label="Readings beside what this house should read"');
        expect(apart).toContain('aria-label="Hall: not taken, expected 0.30 Ω"');
    });

    it('numbers the steps that are to be done where the hand goes, the next one yellow', () => {
        const step = { operation: 'set' as const, subject: 'way1', value: 'off', words: 'Switch it off', backOperation: 'set' as const, backValue: 'on', clampFirst: null };
        const plan = { test: { id: 't', words: 'Loop', instrument: 'loop', terminals: [], around: [], hazard: '', needsIsolation: false, changes: [step, { ...step, operation: 'load' as const, subject: 's.front', value: 'out' }] }, run: '', leftOut: [], since: '' };
        const html = draw(map({}), { plan });
        expect(html.match(/fill-probe/g)).toHaveLength(1);
        expect(html).toMatch(/>1<\/text>.*>2<\/text>/);
        // Done, its number is gone and the next one is yellow.
        const half = draw(map({}), { plan, state: { ...STATE, positions: { way1: 'off' } } });
        expect(half).not.toMatch(/>1<\/text>/);
        expect(half.match(/fill-probe/g)).toHaveLength(1);
    });
});
