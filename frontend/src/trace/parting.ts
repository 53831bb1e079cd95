/** Amps of what a clamp shows, as people write it: "0,3 mA", "12 m", "0.2 A", "0"; null when it is no number. */
export function amps(typed: string): number | null {
    const found = /^\s*[<≤]?\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(m|µ|u)?A?\s*$/i.exec(typed);
    if (!found) {
        return null;
    }
    const scale = found[2] === undefined ? 1 : found[2].toLowerCase() === 'm' ? 1e-3 : 1e-6;
    return Number((found[1] ?? '').replace(',', '.')) * scale;
}

/** From here on a conductor carries current: parting it would put it at line potential or start an arc. */
export const CARRIES_AMPS = 0.01;
