import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../api/client';
import { api, got, Refusal } from '../api/client';
import { device, erase, readAll, write, type Kind, type NewEntry, type Pending } from './store';

/** What became of an entry: it is stored, it waits here for the server, or the server refused it. */
export type Sent = { outcome: 'stored'; detail: Schemas['CallDetail'] } | { outcome: 'waits' } | { outcome: 'refused'; refusal: Refusal };

const listeners = new Set<() => void>();
let entries: Pending[] = [];
let loaded: Promise<void> | null = null;
let problem: string | null = null;
let sending: Promise<void> | null = null;
const watchers = new Map<string, (sent: Sent) => void>();
let onStored: (detail: Schemas['CallDetail'], entry: Pending) => void = () => undefined;

/** What a server may answer otherwise the next time: nobody logged in, too many at once, too slow, in trouble. */
function mayPass(status: number): boolean {
    return status === 0 || status === 401 || status === 408 || status === 425 || status === 429 || status >= 500;
}

function tell(next: Pending[]): void {
    entries = next;
    listeners.forEach((listener) => listener());
}

/** Reads what waits from the last time, once. */
export function load(): Promise<void> {
    loaded ??= readAll().then(
        (known) => tell([...known, ...entries.filter((entry) => !known.some((other) => other.id === entry.id))]),
        () => note('no-store'),
    );
    return loaded;
}

function note(what: string | null): void {
    problem = what;
    listeners.forEach((listener) => listener());
}

/** A word for what is wrong with keeping entries on this device; null when nothing is. */
export function trouble(): string | null {
    return problem;
}

export function all(): Pending[] {
    return entries;
}

export function onChange(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

/** Who is told of a call as it is once an entry is stored. */
export function whenStored(told: (detail: Schemas['CallDetail'], entry: Pending) => void): void {
    onStored = told;
}

export interface Draft {
    callId: string;
    person: string;
    kind: Kind;
    payload: NewEntry['payload'];
    seen: number;
}

/** Keeps an entry and begins to send it. It is in the list at once, whatever the network does. */
export function add(draft: Draft): { entry: Pending; sent: Promise<Sent> } {
    const entry: Pending = { ...draft, id: uuidv7(), at: new Date().toISOString().replace(/\.\d+Z$/, 'Z'), device: device(uuidv7), order: Math.max(0, ...entries.map((each) => each.order)) + 1 };
    const sent = new Promise<Sent>((resolve) => watchers.set(entry.id, resolve));
    tell([...entries, entry]);
    write(entry).then(
        () => note(null),
        (error: unknown) => note(error instanceof DOMException && error.name === 'QuotaExceededError' ? 'full' : 'no-store'),
    );
    void flush(entry.person);
    return { entry, sent };
}

/** Takes a refused entry out, once it was put right elsewhere or handed over. */
export function remove(id: string): void {
    tell(entries.filter((entry) => entry.id !== id));
    erase(id).catch(() => note('no-store'));
}

/** Sends a refused entry again, as it is or with another payload. */
export function again(id: string, payload?: NewEntry['payload']): void {
    const entry = entries.find((each) => each.id === id);
    if (entry) {
        const next = { ...entry, payload: payload ?? entry.payload };
        delete next.refused;
        tell(entries.map((each) => (each.id === id ? next : each)));
        write(next).catch(() => note('no-store'));
        void flush(entry.person);
    }
}

/** Sends everything of a person that waits, oldest first; one run at a time. */
export function flush(person: string): Promise<void> {
    sending ??= run(person).finally(() => {
        sending = null;
        // What came while this run went on, and was not reached by it.
        if (entries.some((entry) => entry.person === person && !entry.refused && !stuck)) {
            void flush(person);
        }
    });
    return sending;
}

let stuck = false;

async function run(person: string): Promise<void> {
    stuck = false;
    for (;;) {
        const next = entries.find((entry) => entry.person === person && !entry.refused);
        if (!next) {
            return;
        }
        const sent = await post(next);
        if (sent.outcome === 'waits') {
            stuck = true;
            // Whoever waits for an answer learns that it is kept here; it is sent later by itself.
            for (const entry of entries.filter((each) => each.person === person && !each.refused)) {
                settle(entry.id, sent);
            }
            return;
        }
        settle(next.id, sent);
    }
}

function settle(id: string, sent: Sent): void {
    const watcher = watchers.get(id);
    watchers.delete(id);
    watcher?.(sent);
}

async function post(entry: Pending): Promise<Sent> {
    const { callId, id, kind, at, payload, seen, device } = entry;
    try {
        const detail = await got(api.POST('/api/calls/{id}/observations', { params: { path: { id: callId } }, body: { id, kind, at, payload, seen, device } as NewEntry }));
        // The call is shown as it is now before the entry leaves the list: nothing seems undone in between.
        onStored(detail, entry);
        await new Promise((done) => setTimeout(done, 0));
        remove(entry.id);
        return { outcome: 'stored', detail };
    } catch (error) {
        if (!(error instanceof Refusal) || mayPass(error.status)) {
            return { outcome: 'waits' };
        }
        const refused = { ...entry, refused: { reason: error.message, pointer: error.pointer, status: error.status } };
        tell(entries.map((each) => (each.id === entry.id ? refused : each)));
        write(refused).catch(() => note('no-store'));
        return { outcome: 'refused', refusal: error };
    }
}

/** For a test only: as if the page had just been loaded. */
export function forget(): void {
    entries = [];
    loaded = null;
    problem = null;
    sending = null;
    watchers.clear();
}
