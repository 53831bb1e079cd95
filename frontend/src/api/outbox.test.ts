import { beforeEach, describe, expect, it, vi } from 'vitest';

const store = new Map<string, string>();
vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
});

const post = vi.fn();
vi.mock('./client', async () => {
    const client = await vi.importActual<typeof import('./client')>('./client');
    return { ...client, api: { POST: post } };
});

const { draft, pending, send, onChange } = await import('./outbox');

const answer = (status: number, body: unknown) => Promise.resolve(status < 400 ? { data: body, response: { status } } : { error: body, response: { status } });

beforeEach(() => {
    store.clear();
    post.mockReset();
});

describe('outbox', () => {
    it('makes ids of version 7 and times without fractions', () => {
        const item = draft('call', 'told', { text: 'x' });
        expect(item.id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-/);
        expect(item.at).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/);
    });

    it('forgets what the server has stored', async () => {
        post.mockReturnValueOnce(answer(201, { call: 'detail' }));
        await expect(send(draft('c', 'told', { text: 'x' }))).resolves.toEqual({ call: 'detail' });
        expect(pending()).toEqual([]);
    });

    it('shows the call as it is then before what is stored leaves', async () => {
        post.mockReturnValueOnce(answer(201, { call: 'detail' }));
        let waiting = -1;
        await send(draft('c', 'told', { text: 'x' }), () => (waiting = pending().length));
        expect(waiting).toBe(1);
        expect(pending()).toEqual([]);
    });

    it('keeps what did not arrive, with its id, and sends it again as it was', async () => {
        post.mockRejectedValueOnce(new TypeError('network'));
        const item = draft('c', 'told', { text: 'x' });
        await expect(send(item)).rejects.toThrow('cannot be reached');
        expect(pending()).toEqual([item]);
        post.mockReturnValueOnce(answer(201, { call: 'detail' }));
        await send();
        expect(post.mock.calls[1]?.[1].body).toEqual({ id: item.id, kind: 'told', at: item.at, payload: { text: 'x' } });
        expect(pending()).toEqual([]);
    });

    it('sends the oldest first and keeps the order when one in the middle fails', async () => {
        post.mockRejectedValue(new TypeError('network'));
        const items = [1, 2, 3].map((n) => draft('c', 'told', { n }));
        for (const item of items) {
            await send(item).catch(() => undefined);
        }
        expect(pending().map((each) => each.payload.n)).toEqual([1, 2, 3]);
        post.mockReset();
        post.mockReturnValueOnce(answer(201, {})).mockRejectedValueOnce(new TypeError('network'));
        await expect(send()).rejects.toThrow();
        expect(pending().map((each) => each.payload.n)).toEqual([2, 3]);
    });

    it('drops what is refused and says why, but keeps it while nobody is logged in or the server fails', async () => {
        post.mockReturnValueOnce(answer(422, { detail: 'Voltmeter reads V.', pointer: '/raw' }));
        await expect(send(draft('c', 'measured', { raw: '1 Ω' }))).rejects.toMatchObject({ message: 'Voltmeter reads V.', pointer: '/raw', status: 422 });
        expect(pending()).toEqual([]);
        for (const status of [401, 500, 503]) {
            store.clear();
            post.mockReturnValueOnce(answer(status, { detail: 'Later.' }));
            await expect(send(draft('c', 'told', {}))).rejects.toThrow('Later.');
            expect(pending(), String(status)).toHaveLength(1);
        }
    });

    it('a refusal of something older does not stop what is new', async () => {
        post.mockRejectedValueOnce(new TypeError('network'));
        await send(draft('c', 'told', { n: 1 })).catch(() => undefined);
        post.mockReturnValueOnce(answer(409, { detail: 'Closed.' })).mockReturnValueOnce(answer(201, { ok: true }));
        await expect(send(draft('c', 'told', { n: 2 }))).resolves.toEqual({ ok: true });
        expect(pending()).toEqual([]);
    });

    it('tells those who listen, until they stop', async () => {
        const heard = vi.fn();
        const stop = onChange(heard);
        post.mockReturnValue(answer(201, {}));
        await send(draft('c', 'told', {}));
        expect(heard).toHaveBeenCalledTimes(2);
        stop();
        await send(draft('c', 'told', {}));
        expect(heard).toHaveBeenCalledTimes(2);
    });
});
