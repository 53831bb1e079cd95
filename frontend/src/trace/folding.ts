import type { Schemas } from '../api/client';

type MapData = Schemas['MapView'];
type Way = MapData['ways'][number];

/** More lines than this do not fit beside a circuit that is open. */
const MOST_ROWS = 14;

export type Row = { is: 'board'; name: string } | { is: 'group'; key: string; way: Way; count: number; isFolded: boolean } | { is: 'way'; way: Way; number: number };

/** Ways that stand beside each other behind one residual device of one board. */
function groups(ways: Way[]): { key: string; ways: Way[] }[] {
    const found: { key: string; ways: Way[] }[] = [];
    for (const way of ways) {
        // One with a device of its own needs no heading.
        const key = `${way.board}|${way.group === way.device ? way.device : (way.group ?? '')}`;
        const last = found.at(-1);
        if (last?.key === key) {
            last.ways.push(way);
        } else {
            found.push({ key, ways: [way] });
        }
    }
    return found;
}

/**
 * The lines of the map in the order of the boards: where there are too many, groups in which nobody works fold to a line, those
 * furthest down first.
 *
 * @param stays circuits that stay in sight: open ones, those with a changed lever, those of the first causes
 * @param opened groups that somebody has unfolded
 */
export function rows(map: MapData, stays: ReadonlySet<string>, opened: ReadonlySet<string>): Row[] {
    const all = groups(map.ways);
    const hasHeading = ({ ways }: { ways: Way[] }) => ways[0] !== undefined && ways[0].group !== null && ways[0].group !== ways[0].device;
    let count = map.ways.length + all.filter(hasHeading).length + (map.boards.length > 1 ? map.boards.length : 0);
    const folded = new Set<string>();
    for (const group of [...all].reverse()) {
        if (count > MOST_ROWS && hasHeading(group) && group.ways.length > 1 && !opened.has(group.key) && !group.ways.some((way) => stays.has(way.circuit))) {
            folded.add(group.key);
            count -= group.ways.length;
        }
    }
    const found: Row[] = [];
    let board = '';
    let number = 0;
    for (const group of all) {
        const first = group.ways[0];
        if (first === undefined) {
            continue;
        }
        if (map.boards.length > 1 && first.board !== board) {
            board = first.board;
            found.push({ is: 'board', name: map.boards.find((each) => each.id === board)?.name ?? board });
        }
        if (hasHeading(group)) {
            found.push({ is: 'group', key: group.key, way: first, count: group.ways.length, isFolded: folded.has(group.key) });
        }
        for (const way of group.ways) {
            number += 1;
            if (!folded.has(group.key)) {
                found.push({ is: 'way', way, number });
            }
        }
    }
    return found;
}
