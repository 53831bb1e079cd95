import type { Schemas } from '../api/client';

type Lists = Schemas['SurveyListsView'];
type Feeds = Schemas['FeedsView'];

/** One way as it is read off the board; the server checks it. */
export interface WayEntry {
    device: 'breaker' | 'rcbo' | 'blank';
    feeds?: string;
    name?: string;
    amperes: number;
    curve: string;
    group: number;
    neutral: 'yes' | 'no' | 'unknown';
    points?: number;
}

/** The sheet as it is sent and kept: no more than what was entered. */
export interface Sheet {
    ruleSet: 'A' | 'B' | 'C';
    room: string;
    mainAmperes: number;
    evidence: string[];
    system: string;
    groups: { name: string; milliamps: number; type: string; jumperMm2?: number }[];
    ways: (WayEntry | null)[];
    /** Device of ways that nobody has chosen one for. */
    usual: 'breaker' | 'rcbo';
}

export interface Entry {
    sheet: Sheet;
    /** The way that the next letter fills. */
    cursor: number;
    /** The way that digits and marks go to: the one filled last. */
    open: number;
    /** What has been typed of its rating. */
    digits: string;
    past: Sheet[];
}

export type Act =
    | { do: 'begin'; ruleSet: Sheet['ruleSet']; pattern: Schemas['BoardPatternView'] }
    | { do: 'load'; sheet: Sheet }
    | { do: 'feed'; feeds: Feeds }
    | { do: 'digit'; digit: string }
    | { do: 'device' | 'neutral' | 'spare' | 'blank' | 'divide' | 'longer' | 'clear' | 'undo' }
    | { do: 'move'; by: number }
    | { do: 'go'; to: number }
    | { do: 'way'; change: Partial<WayEntry> }
    | { do: 'set'; change: Partial<Pick<Sheet, 'room' | 'mainAmperes' | 'system' | 'groups'>> }
    | { do: 'tick'; slug: string }
    | { do: 'jumper'; group: number; mm2: number };

const MOST_UNDO = 100;

export function begun(ruleSet: Sheet['ruleSet'], pattern: Schemas['BoardPatternView']): Sheet {
    return { ruleSet, room: 'Hall', mainAmperes: 100, evidence: [], system: '', groups: pattern.groups, ways: Array.from({ length: pattern.ways }, () => null), usual: pattern.device as Sheet['usual'] };
}

export const start = (sheet: Sheet): Entry => ({ sheet, cursor: 0, open: 0, digits: '', past: [] });

/** Ways up to the last one that was filled; those left out between are blank. */
export function filled(sheet: Sheet): WayEntry[] {
    const last = sheet.ways.findLastIndex((way) => way !== null);
    let group = 0;
    return sheet.ways.slice(0, last + 1).map((way) => {
        group = way?.group ?? group;
        return way ?? { device: 'blank', amperes: 0, curve: '', group, neutral: 'unknown' };
    });
}

/** What the server is asked to draw up. */
export function asSent(sheet: Sheet): Record<string, unknown> {
    const { ruleSet, room, mainAmperes, evidence, system, groups } = sheet;
    return { ruleSet, room, mainAmperes, evidence, system, groups, ways: filled(sheet).map(({ feeds, ...way }) => ({ ...way, ...(feeds === undefined ? {} : { feeds }) })) };
}

/** The sheet of an earlier survey, to begin from. */
export function fromStored(stored: Record<string, unknown>): Sheet | null {
    const { ruleSet, groups, ways, ...rest } = stored as Partial<Sheet>;
    if (!Array.isArray(ways) || !Array.isArray(groups) || ruleSet === undefined || !['A', 'B', 'C'].includes(ruleSet)) {
        return null;
    }
    return { room: 'Hall', mainAmperes: 100, evidence: [], system: '', ...rest, ruleSet, groups, ways, usual: ways.filter((way) => way?.device === 'rcbo').length > ways.length / 2 ? 'rcbo' : 'breaker' };
}

export function next(entry: Entry, act: Act): Entry {
    const { sheet } = entry;
    const last = sheet.ways.length - 1;
    const changed = (way: Partial<WayEntry>, at = entry.open): Entry => {
        const old = sheet.ways[at];
        if (!old) {
            return entry;
        }
        return kept(entry, { ...sheet, ways: sheet.ways.map((each, index) => (index === at ? { ...old, ...way } : each)) });
    };
    const placed = (way: Omit<WayEntry, 'group'>): Entry => {
        const at = entry.cursor;
        const group = sheet.ways[at]?.group ?? sheet.ways.slice(0, at).findLast((each) => each !== null)?.group ?? 0;
        const ways = sheet.ways.map((each, index) => (index === at ? { ...way, group } : each));
        return { ...kept(entry, { ...sheet, ways }), open: at, cursor: Math.min(at + 1, last) };
    };
    switch (act.do) {
        case 'begin':
            return kept(start(begun(act.ruleSet, act.pattern)), begun(act.ruleSet, act.pattern));
        case 'load':
            return start(act.sheet);
        case 'feed':
            return placed({ device: act.feeds.shape === 'two-pole' ? 'breaker' : sheet.usual, feeds: act.feeds.slug, amperes: act.feeds.amperes, curve: act.feeds.curve, neutral: 'unknown' });
        case 'spare':
            return placed({ device: sheet.usual, amperes: 16, curve: sheet.ruleSet === 'B' ? '' : sheet.ruleSet === 'A' ? 'B' : 'C', neutral: 'unknown' });
        case 'blank':
            return placed({ device: 'blank', amperes: 0, curve: '', neutral: 'unknown' });
        case 'digit': {
            const digits = (entry.digits + act.digit).slice(-3);
            const amperes = Number(digits);
            return amperes > 0 && sheet.ways[entry.open] ? { ...changed({ amperes }), digits } : entry;
        }
        case 'device':
            return changed({ device: sheet.ways[entry.open]?.device === 'rcbo' ? 'breaker' : 'rcbo' });
        case 'neutral': {
            const order = ['unknown', 'yes', 'no'] as const;
            return changed({ neutral: order[(order.indexOf(sheet.ways[entry.open]?.neutral ?? 'unknown') + 1) % 3] });
        }
        case 'way':
            return changed(act.change);
        case 'divide':
            return divided(entry);
        case 'longer':
            return kept(entry, { ...sheet, ways: [...sheet.ways, null] });
        case 'clear':
            return { ...kept(entry, { ...sheet, ways: sheet.ways.map((each, index) => (index === entry.open ? null : each)) }), cursor: entry.open };
        case 'undo': {
            const before = entry.past.at(-1);
            return before ? { ...entry, sheet: before, past: entry.past.slice(0, -1), digits: '' } : entry;
        }
        case 'move':
            return at(entry, entry.open + act.by);
        case 'go':
            return at(entry, act.to);
        case 'set':
            return kept(entry, { ...sheet, ...act.change });
        case 'jumper':
            return kept(entry, { ...sheet, groups: sheet.groups.map((each, index) => (index === act.group ? { ...each, jumperMm2: act.mm2 } : each)) });
        case 'tick':
            return kept(entry, { ...sheet, evidence: sheet.evidence.includes(act.slug) ? sheet.evidence.filter((each) => each !== act.slug) : [...sheet.evidence, act.slug] });
    }
}

function at(entry: Entry, way: number): Entry {
    const to = Math.min(Math.max(way, 0), entry.sheet.ways.length - 1);
    return { ...entry, cursor: to, open: to, digits: '' };
}

/** From the open way on the next group begins, or no longer does. */
function divided(entry: Entry): Entry {
    const { sheet, open } = entry;
    const before = sheet.ways.slice(0, open).findLast((each) => each !== null)?.group ?? 0;
    const own = sheet.ways[open]?.group ?? before;
    const step = own > before ? -1 : own + 1 < sheet.groups.length ? 1 : 0;
    if (step === 0 || !sheet.ways[open]) {
        return entry;
    }
    return kept(entry, { ...sheet, ways: sheet.ways.map((each, index) => (each && index >= open ? { ...each, group: Math.min(Math.max(each.group + step, 0), sheet.groups.length - 1) } : each)) });
}

function kept(entry: Entry, sheet: Sheet): Entry {
    return { ...entry, sheet, digits: '', past: [...entry.past, entry.sheet].slice(-MOST_UNDO) };
}

/** What a key means while the board is read off; null for keys that mean nothing here. */
export function meaning(key: string, lists: Lists): Act | null {
    if (/^[0-9]$/.test(key)) {
        return { do: 'digit', digit: key };
    }
    const feeds = lists.feeds.find((each) => each.key === key.toLowerCase());
    if (feeds) {
        return { do: 'feed', feeds };
    }
    const plain: Record<string, Act> = { ArrowDown: { do: 'move', by: 1 }, ArrowUp: { do: 'move', by: -1 }, '-': { do: 'spare' }, '.': { do: 'blank' }, r: { do: 'device' }, n: { do: 'neutral' }, '/': { do: 'divide' }, '+': { do: 'longer' }, Delete: { do: 'clear' }, Backspace: { do: 'undo' } };
    return plain[key] ?? null;
}
