import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import * as patient from './patient';

const json = (status: number, body: unknown, headers: Record<string, string> = {}) => new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json', ...headers } });
const progress = (done: number) => ({ isRunning: true, done, total: 4, ahead: 0, againMilliseconds: 0 });

beforeEach(() => {
    vi.useFakeTimers();
});
afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

test('an answer that is there is handed on, and nothing else is asked', async () => {
    const fetched = vi.fn(() => Promise.resolve(json(200, { a: 1 })));
    vi.stubGlobal('fetch', fetched);
    const answer = await patient.patiently(new Request('http://x.example/api/calls'));
    expect([answer.status, fetched.mock.calls.length]).toEqual([200, 1]);
});

test('a 202 without a word about work is an answer', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 202 })));
    expect((await patient.patiently(new Request('http://x.example/api/password-links', { method: 'POST', body: '{}' }))).status).toBe(202);
});

test('what is worked out is looked at by conditional requests, told, and then asked for again with the same body', async () => {
    const asked: [string, unknown, unknown][] = [];
    const answers = [json(202, { job: '/job', progress: null }), json(200, { job: '/job', progress: progress(1) }, { ETag: '"one"' }), new Response(null, { status: 304 }), json(200, { job: '/job', progress: null }), json(200, { done: true })];
    vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
        asked.push([url, init.body, new Headers(init.headers).get('If-None-Match')]);
        return Promise.resolve(answers.shift());
    });
    const told: (number | undefined)[] = [];
    const stop = patient.onChange(() => told.push(patient.all().get('/job')?.done));
    const answer = patient.patiently(new Request('http://x.example/api/predictions', { method: 'POST', body: '{"a":1}' }));
    await vi.advanceTimersByTimeAsync(3000);
    expect(await (await answer).json()).toEqual({ done: true });
    stop();
    expect(asked).toEqual([
        ['http://x.example/api/predictions', '{"a":1}', null],
        ['/job', undefined, null],
        ['/job', undefined, '"one"'],
        ['/job', undefined, '"one"'],
        ['http://x.example/api/predictions', '{"a":1}', null],
    ]);
    expect(told).toEqual([0, 1, undefined]);
    expect(patient.all().size).toBe(0);
});

test('who waits for the same job looks with the same eyes, and one who leaves takes nobody along', async () => {
    const asked: string[] = [];
    let looks = 0;
    vi.stubGlobal('fetch', (url: string) => {
        asked.push(url);
        if (url === '/job') {
            looks += 1;
            return Promise.resolve(json(200, { job: '/job', progress: looks < 3 ? progress(looks) : null }));
        }
        return Promise.resolve(looks < 3 ? json(202, { job: '/job', progress: null }) : json(200, { done: url }));
    });
    const leaving = new AbortController();
    const gone = patient.patiently(new Request('http://x.example/api/map', { signal: leaving.signal }));
    const refused = expect(gone).rejects.toThrow();
    const stays = patient.patiently(new Request('http://x.example/api/ranking'));
    await vi.advanceTimersByTimeAsync(130);
    leaving.abort();
    await refused;
    await vi.advanceTimersByTimeAsync(3000);
    expect(await (await stays).json()).toEqual({ done: 'http://x.example/api/ranking' });
    expect(asked.filter((url) => url === '/job')).toHaveLength(3);
});

test('nobody looks before the server expects anything new', async () => {
    const asked: number[] = [];
    const begun = Date.now();
    const answers = [json(202, { job: '/job', progress: { ...progress(0), isRunning: false, ahead: 4, againMilliseconds: 2800 } }), json(200, { job: '/job', progress: null }), json(200, {})];
    vi.stubGlobal('fetch', () => {
        asked.push(Date.now() - begun);
        return Promise.resolve(answers.shift());
    });
    const answer = patient.patiently(new Request('http://x.example/api/next'));
    await vi.advanceTimersByTimeAsync(3000);
    expect((await answer).status).toBe(200);
    expect(asked).toEqual([0, 2800, 2800]);
});

test('whoever leaves waits no longer', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(json(202, { job: '/job', progress: null })));
    const leaving = new AbortController();
    const answer = patient.patiently(new Request('http://x.example/api/ranking', { signal: leaving.signal }));
    const refused = expect(answer).rejects.toThrow();
    await vi.advanceTimersByTimeAsync(50);
    leaving.abort();
    await refused;
    expect(patient.all().size).toBe(0);
});
