import { v7 as uuidv7 } from 'uuid';
import { api, got, Refusal, type Schemas } from './client';

/** An observation on its way: kept on this device, with its id and time, until the server has it. */
export interface Pending {
    id: string;
    callId: string;
    kind: string;
    at: string;
    payload: Record<string, unknown>;
}

const KEY = 'yellow-probe.outbox';
const listeners = new Set<() => void>();
let cached: { text: string; list: Pending[] } = { text: '[]', list: [] };

export function pending(): Pending[] {
    const text = localStorage.getItem(KEY) ?? '[]';
    if (text !== cached.text) {
        cached = { text, list: JSON.parse(text) as Pending[] };
    }
    return cached.list;
}

export function onChange(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

function save(list: Pending[]): void {
    localStorage.setItem(KEY, JSON.stringify(list));
    listeners.forEach((listener) => listener());
}

export function draft(callId: string, kind: string, payload: Record<string, unknown>): Pending {
    return { id: uuidv7(), callId, kind, at: new Date().toISOString().replace(/\.\d+Z$/, 'Z'), payload };
}

/**
 * Sends everything that waits, oldest first. What the server refuses leaves the outbox (the refusal says why and the
 * form still holds it); what does not arrive stays, and a repeated request is stored once.
 *
 * @param stored the call as it is then, before what is stored leaves the outbox: so nothing seems undone in between
 */
export async function send(item?: Pending, stored?: (detail: Schemas['CallDetail']) => void): Promise<Schemas['CallDetail'] | undefined> {
    if (item) {
        save([...pending(), item]);
    }
    let last: Schemas['CallDetail'] | undefined;
    for (const next of [...pending()]) {
        try {
            const { callId, ...body } = next;
            last = await got(api.POST('/api/calls/{id}/observations', { params: { path: { id: callId } }, body }));
            if (stored) {
                stored(last);
                // Whoever watches the call is told in a task of its own, after this one.
                await new Promise((done) => setTimeout(done, 0));
            }
            save(pending().filter((other) => other.id !== next.id));
        } catch (error) {
            const arrived = error instanceof Refusal && error.status >= 400 && error.status < 500 && error.status !== 401;
            if (arrived) {
                save(pending().filter((other) => other.id !== next.id));
                if (next.id === item?.id) {
                    throw error;
                }
            } else {
                throw error;
            }
        }
    }
    return last;
}
