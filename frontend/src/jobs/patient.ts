import type { components } from '../api/schema.gen';

type JobView = components['schemas']['JobView'];
export type Progress = components['schemas']['Progress'];

/** Between two looks at how far it is: often at first, more seldom when it takes long. */
const PAUSES = [120, 150, 200, 250, 300, 400, 500, 600];
const LONGEST = 1000;

const listeners = new Set<() => void>();
let underway: ReadonlyMap<string, Progress> = new Map();

/** What is being worked out for this page, by the address that says how far it is. */
export function all(): ReadonlyMap<string, Progress> {
    return underway;
}

export function onChange(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

function tell(job: string, progress: Progress | null): void {
    const next = new Map(underway);
    if (progress === null) {
        next.delete(job);
    } else {
        next.set(job, progress);
    }
    underway = next;
    listeners.forEach((listener) => listener());
}

const pause = (milliseconds: number, signal: AbortSignal) =>
    new Promise<void>((resolve, reject) => {
        const stop = () => {
            clearTimeout(timer);
            reject(signal.reason as Error);
        };
        const timer = setTimeout(() => {
            signal.removeEventListener('abort', stop);
            resolve();
        }, milliseconds);
        signal.addEventListener('abort', stop, { once: true });
    });

/** Looks, by short conditional requests, until nothing is under way any more, or nobody waits. */
async function look(job: string, begun: Progress, signal: AbortSignal): Promise<void> {
    let etag: string | null = null;
    let known = begun;
    for (let count = 0; ; ++count) {
        await pause(Math.max(PAUSES[count] ?? LONGEST, known.againMilliseconds), signal);
        const answer: Response = await fetch(job, { signal, cache: 'no-store', headers: etag === null ? {} : { 'If-None-Match': etag } });
        if (answer.status === 304) {
            continue;
        }
        if (!answer.ok) {
            return;
        }
        etag = answer.headers.get('ETag');
        const { progress } = (await answer.json()) as JobView;
        if (progress === null) {
            return;
        }
        known = progress;
        tell(job, progress);
    }
}

interface Watch {
    over: Promise<void>;
    waiting: number;
    stop: AbortController;
}

const watches = new Map<string, Watch>();

/** Waits for a job; whoever else on this page waits for the same one looks with the same eyes. */
async function ended(job: string, begun: Progress, signal: AbortSignal): Promise<void> {
    let watch = watches.get(job);
    if (watch === undefined) {
        const stop = new AbortController();
        tell(job, begun);
        watch = {
            waiting: 0,
            stop,
            over: look(job, begun, stop.signal).finally(() => {
                watches.delete(job);
                tell(job, null);
            }),
        };
        // Who still waits hears of it; where nobody does it is no failure.
        watch.over.catch(() => undefined);
        watches.set(job, watch);
    }
    watch.waiting += 1;
    const own = watch;
    let left: () => void = () => undefined;
    try {
        await Promise.race([
            own.over,
            new Promise<never>((_, reject) => {
                left = () => reject(signal.reason as Error);
                signal.addEventListener('abort', left, { once: true });
            }),
        ]);
    } finally {
        signal.removeEventListener('abort', left);
        own.waiting -= 1;
        if (own.waiting === 0) {
            own.stop.abort(new DOMException('Nobody waits any more.', 'AbortError'));
        }
    }
}

/** A request whose answer may have to be worked out first: waits for that, with no connection held open, and asks again. */
export async function patiently(request: Request): Promise<Response> {
    const { url, method, headers, signal } = request;
    // Read once: it may have to be sent again.
    const body = method === 'GET' || method === 'HEAD' ? null : await request.text();
    for (;;) {
        const answer = await fetch(url, { method, headers, signal, body: body === '' ? null : body });
        if (answer.status !== 202 || !(answer.headers.get('Content-Type') ?? '').includes('json')) {
            return answer;
        }
        const { job, progress } = (await answer.json()) as JobView;
        await ended(job, progress ?? { isRunning: false, done: 0, total: 0, ahead: 0, againMilliseconds: 0 }, signal);
    }
}
