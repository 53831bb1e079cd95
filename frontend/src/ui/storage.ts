/** Told when this device keeps no more of what is typed. */
export const FULL = 'yellow-probe:full';

/** Keeps a text on this device, or takes it off with null. A full device is said on the page, and nothing breaks. */
export function keep(key: string, text: string | null): void {
    try {
        if (text === null) {
            localStorage.removeItem(key);
        } else {
            localStorage.setItem(key, text);
        }
    } catch {
        dispatchEvent(new Event(FULL));
    }
}
