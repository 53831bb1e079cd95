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

/** Looks, by short conditional requests, until nothing is under way any more. */
async function ended(job: string, signal: AbortSignal): Promise<void> {
    let etag: string | null = null;
    for (let look = 0; ; ++look) {
        await pause(PAUSES[look] ?? LONGEST, signal);
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
        tell(job, progress);
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
        tell(job, progress ?? { isRunning: false, done: 0, total: 0, ahead: 0 });
        try {
            await ended(job, signal);
        } finally {
            tell(job, null);
        }
    }
}
