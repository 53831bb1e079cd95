import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Schemas } from '../api/client';

export type NewEntry = Schemas['NewEntry'];
export type Kind = NewEntry['kind'];
export type PayloadOf<K extends Kind> = Extract<NewEntry, { kind: K }>['payload'];

/** An entry on its way: kept on this device until the server has it, or until somebody has dealt with its refusal. */
export interface Pending {
    id: string;
    callId: string;
    /** Who made it: another login on this device neither sends nor loses it. */
    person: string;
    kind: Kind;
    at: string;
    payload: NewEntry['payload'];
    seen: number;
    device: string;
    /** Order on this device. */
    order: number;
    /** Why the server refused it; it waits to be put right, sent again, or handed over. */
    refused?: { reason: string; pointer: string; status: number };
}

interface Box extends DBSchema {
    entries: { key: string; value: Pending };
}

const DATABASE = 'yellow-probe';
const DEVICE = 'yellow-probe.device';

let database: Promise<IDBPDatabase<Box>> | null = null;

function open(): Promise<IDBPDatabase<Box>> {
    database ??= openDB<Box>(DATABASE, 1, { upgrade: (db) => void db.createObjectStore('entries', { keyPath: 'id' }) });
    return database;
}

export async function readAll(): Promise<Pending[]> {
    const all = await (await open()).getAll('entries');
    return all.sort((a, b) => a.order - b.order);
}

export async function write(entry: Pending): Promise<void> {
    await (await open()).put('entries', entry);
}

export async function erase(id: string): Promise<void> {
    await (await open()).delete('entries', id);
}

/** This device, by an id that it made for itself. */
export function device(make: () => string): string {
    const known = localStorage.getItem(DEVICE);
    if (known !== null) {
        return known;
    }
    const own = make();
    localStorage.setItem(DEVICE, own);
    return own;
}
