import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Draft } from './outbox';
import type { Pending } from './store';

const kept = new Map<string, Pending>();
let writes: (entry: Pending) => Promise<void> = async (entry) => void kept.set(entry.id, entry);

vi.mock('./store', () => ({
    device: () => '018f0000-0000-7000-8000-00000000000d',
    readAll: async () => [...kept.values()].sort((a, b) => a.order - b.order),
    write: (entry: Pending) => writes(entry),
    erase: async (id: string) => void kept.delete(id),
}));

const post = vi.fn();
vi.mock('../api/client', async () => ({ ...(await vi.importActual<typeof import('../api/client')>('../api/client')), api: { POST: post } }));

const outbox = await import('./outbox');

type Answer = { status: number; body: unknown } | 'away';
let answers: Answer[] = [];
const sent: { id: string; payload: unknown }[] = [];

const stored: Answer = { status: 200, body: { call: { id: 'c' } } };
const refused = (status: number): Answer => ({ status, body: { detail: 'No.', pointer: '/payload/raw' } });
const draft = (raw: string, person = 'ines'): Draft => ({ callId: 'c', person, kind: 'measured', payload: { instrument: 'clamp', raw, near: 'here' }, seen: 3 });

beforeEach(() => {
    kept.clear();
    sent.length = 0;
    answers = [];
    writes = async (entry) => void kept.set(entry.id, entry);
    outbox.forget();
    post.mockImplementation(async (_path: string, { body }: { body: { id: string; payload: unknown } }) => {
        sent.push(body);
        const answer = answers.shift() ?? stored;
        if (answer === 'away') {
            throw new TypeError('Failed to fetch');
        }
        return { [answer.status < 400 ? 'data' : 'error']: answer.body, response: { status: answer.status } };
    });
});

describe('outbox', () => {
    it('sends in order and forgets what the server has', async () => {
        const first = outbox.add(draft('1'));
        const second = outbox.add(draft('2'));
        expect(await first.sent).toMatchObject({ outcome: 'stored' });
        expect(await second.sent).toMatchObject({ outcome: 'stored' });
        expect(sent.map((each) => (each.payload as { raw: string }).raw)).toEqual(['1', '2']);
        expect(outbox.all()).toEqual([]);
        expect(kept.size).toBe(0);
    });

    it('keeps what cannot be sent, also over a reload, and sends the same entry later', async () => {
        answers = ['away'];
        const { entry, sent: result } = outbox.add(draft('1'));
        expect(await result).toEqual({ outcome: 'waits' });
        outbox.forget();
        await outbox.load();
        expect(outbox.all().map((each) => each.id)).toEqual([entry.id]);
        await outbox.flush('ines');
        expect(sent.map((each) => each.id)).toEqual([entry.id, entry.id]);
        expect(outbox.all()).toEqual([]);
    });

    it.each([401, 408, 429, 500, 503])('keeps what may pass another time: %i', async (status) => {
        answers = [refused(status)];
        expect(await outbox.add(draft('1')).sent).toEqual({ outcome: 'waits' });
        expect(outbox.all()).toHaveLength(1);
        expect(outbox.all()[0]?.refused).toBeUndefined();
    });

    it.each([400, 403, 404, 409, 413, 422])('lists what was refused with its reason, and goes on with the rest: %i', async (status) => {
        answers = [refused(status), stored];
        const first = outbox.add(draft('1'));
        const second = outbox.add(draft('2'));
        expect(await first.sent).toMatchObject({ outcome: 'refused' });
        expect(await second.sent).toMatchObject({ outcome: 'stored' });
        expect(outbox.all().map((each) => each.refused)).toEqual([{ reason: 'No.', pointer: '/payload/raw', status }]);
        expect(kept.size).toBe(1);
    });

    it('sends a refused entry again once it is put right, under the same id', async () => {
        answers = [refused(422), stored];
        const { entry, sent: result } = outbox.add(draft('1x'));
        await result;
        outbox.again(entry.id, { instrument: 'clamp', raw: '1', near: 'here' });
        await vi.waitFor(() => expect(outbox.all()).toEqual([]));
        expect(sent.map((each) => each.id)).toEqual([entry.id, entry.id]);
        expect((sent[1]?.payload as { raw: string }).raw).toBe('1');
    });

    it('neither sends nor loses the entries of another login', async () => {
        answers = ['away'];
        await outbox.add(draft('1', 'ines')).sent;
        await outbox.flush('tomas');
        expect(sent).toHaveLength(1);
        expect(outbox.all()).toHaveLength(1);
        await outbox.flush('ines');
        expect(outbox.all()).toEqual([]);
    });

    it('says that the device is full, and sends all the same', async () => {
        writes = () => Promise.reject(new DOMException('full', 'QuotaExceededError'));
        answers = ['away'];
        await outbox.add(draft('1')).sent;
        await vi.waitFor(() => expect(outbox.trouble()).toBe('full'));
        await outbox.flush('ines');
        expect(outbox.all()).toEqual([]);
    });
});
