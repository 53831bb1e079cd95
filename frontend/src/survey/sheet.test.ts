import { describe, expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { asSent, begun, filled, fromStored, meaning, next, start, type Entry } from './sheet';

const feed = (slug: string, key: string, amperes: number, shape = 'radial') => ({ slug, key, words: slug, shape, amperes, curve: 'B', points: 3 });
const lists: Schemas['SurveyListsView'] = {
    patterns: [{ slug: 'two', words: 'Two groups', device: 'breaker', ways: 4, groups: [{ name: 'Device A', milliamps: 30, type: 'A' }, { name: 'Device B', milliamps: 30, type: 'A' }] }],
    feeds: [feed('ring', 'g', 32, 'ring'), feed('lights', 'l', 6, 'lights'), feed('range', 'c', 40, 'two-pole')],
    evidence: [],
};

function typed(keys: string, entry: Entry): Entry {
    return [...keys].reduce((now, key) => next(now, meaning(key, lists) ?? { do: 'move', by: 0 }), entry);
}

const fresh = () => {
    const pattern = lists.patterns[0];
    if (!pattern) {
        throw new Error('no pattern');
    }
    return start(begun('A', pattern));
};

describe('a board typed in', () => {
    test('a letter fills a way with what is typical and moves on; digits then give its rating', () => {
        const sheet = typed('g20ll10', fresh()).sheet;
        expect(filled(sheet).map((way) => [way.feeds, way.amperes])).toEqual([['ring', 20], ['lights', 6], ['lights', 10]]);
    });

    test('marks go to the way filled last: device, neutral, the next group', () => {
        const sheet = typed('gl/rnl', fresh()).sheet;
        expect(filled(sheet).map((way) => [way.group, way.device, way.neutral])).toEqual([[0, 'breaker', 'unknown'], [1, 'rcbo', 'yes'], [1, 'breaker', 'unknown']]);
        expect(typed('gl//', fresh()).sheet.ways[1]?.group).toBe(0);
    });

    test('a load between two legs is on a breaker whatever is usual', () => {
        const entry = fresh();
        expect(typed('c', { ...entry, sheet: { ...entry.sheet, usual: 'rcbo' } }).sheet.ways[0]?.device).toBe('breaker');
    });

    test('undo takes back one thing at a time, to the beginning', () => {
        const entry = typed('g16l', fresh());
        const back = next(next(entry, { do: 'undo' }), { do: 'undo' });
        expect(back.sheet.ways[0]?.amperes).toBe(1);
        expect([1, 2, 3].reduce((now) => next(now, { do: 'undo' }), back).sheet.ways).toEqual([null, null, null, null]);
    });

    test('arrows choose a way, and what was typed there is replaced', () => {
        const moved = next(next(typed('gg', fresh()), { do: 'go', to: 0 }), { do: 'feed', feeds: lists.feeds[1] ?? feed('', '', 1) });
        expect(filled(moved.sheet).map((way) => way.feeds)).toEqual(['lights', 'ring']);
        expect(next(moved, { do: 'move', by: -9 }).open).toBe(0);
    });

    test('ways left out are blank, and what is sent can be begun from again', () => {
        const entry = next(typed('g', fresh()), { do: 'go', to: 3 });
        const sent = asSent(typed('l', entry).sheet);
        expect((sent.ways as { device: string }[]).map((way) => way.device)).toEqual(['breaker', 'blank', 'blank', 'breaker']);
        expect(fromStored(sent)?.ways).toHaveLength(4);
        expect(fromStored({ ruleSet: 'A' })).toBeNull();
    });

    test('keys that mean nothing here are left to the page', () => {
        expect(meaning('F5', lists)).toBeNull();
        expect(meaning('Tab', lists)).toBeNull();
    });
});
