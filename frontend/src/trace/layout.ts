import type { Schemas } from '../api/client';

type Way = Schemas['WayView'];

/** Sizes of the line map, px. */
export const size = { board: 168, left: 26, column: 94, row: 62, box: 30, boxHeight: 36, spread: 8, gap: 10, returnDrop: 12 };

export interface Spot {
    x: number;
    y: number;
}

export interface PlacedStop extends Spot {
    stop: Way['stops'][number];
    /** Where its cable comes from: a stop, or the board. */
    from: Spot;
}

export interface PlacedWay {
    way: Way;
    /** Middle of row 0. */
    y: number;
    top: number;
    height: number;
    stops: PlacedStop[];
}

export interface Placed {
    ways: PlacedWay[];
    width: number;
    height: number;
}

const edge = size.left + size.board;

/** How far stops stand apart: what fits a desk up to eight of them, closer up to eleven. */
export function spacing(stops: Way['stops']): number {
    const columns = 1 + Math.max(0, ...stops.map((stop) => stop.column));
    return columns <= 6 ? size.column : columns <= 8 ? 74 : 60;
}

/**
 * The map drawn from the house: ways in physical order, stops in wired order, branches on rows of their own.
 *
 * @param column how far stops stand apart, px
 * @param above  room to be left over a line, px
 */
export function place(ways: Way[], column: number = size.column, above = 0): Placed {
    let top = 8;
    let width = edge + 200;
    const placed = ways.map((way): PlacedWay => {
        const rows = 1 + Math.max(0, ...way.stops.map((stop) => stop.row));
        const height = above + rows * size.row + (way.ring ? size.returnDrop : 0) + (rows > 1 ? 10 : 0) + size.gap;
        const y = top + above + 42;
        const at = new Map(way.stops.map((stop) => [stop.part, { x: edge + 58 + stop.column * column, y: y + stop.row * size.row }]));
        const stops = way.stops.map((stop): PlacedStop => {
            const spot = at.get(stop.part) ?? { x: edge, y };
            width = Math.max(width, spot.x + 80);
            return { stop, ...spot, from: (stop.after === null ? undefined : at.get(stop.after)) ?? { x: edge, y } };
        });
        const own = { way, y, top, height, stops };
        top += height;
        return own;
    });
    return { ways: placed, width, height: top + 8 };
}

/** Offset of a conductor from the middle of the line. */
export function offset(role: string): number {
    return role === 'N' ? 0 : role === 'E' ? size.spread : -size.spread;
}

/** The polyline of one conductor from where a cable starts to a stop: straight along the row, or down and along. */
export function strand(stop: PlacedStop, role: string): string {
    const shift = offset(role);
    const { from, x, y } = stop;
    if (from.y === y) {
        return `M${from.x} ${y + shift}H${x}`;
    }
    // A branch leaves from under its stop; the conductors stay apart round the corner.
    const down = from.x + shift * 0.75;
    return x === from.x ? `M${down} ${from.y + size.boxHeight / 2}V${y - size.boxHeight / 2}` : `M${down} ${from.y + size.boxHeight / 2}V${y + shift}H${x}`;
}

/** The way back of a ring: from its last stop, under the line, to the board. */
export function ringBack(way: PlacedWay, part: string, role: string): string {
    const last = way.stops.find((each) => each.stop.part === part);
    if (!last) {
        return '';
    }
    const shift = offset(role);
    const right = last.x + size.box / 2 + 12 - shift;
    const low = way.y + size.boxHeight / 2 + size.returnDrop + shift * 0.5;
    return `M${last.x} ${last.y + shift}H${right}V${low}H${edge}`;
}

/** Text cut to fit, with its whole left for a title. */
export function short(text: string, most: number): string {
    return text.length <= most ? text : `${text.slice(0, most - 1).trimEnd()}…`;
}
