import createClient from 'openapi-fetch';
import { patiently } from '../jobs/patient';
import type { components, paths } from './schema.gen';

export type Schemas = components['schemas'];
/** A call with everything that happened on it. */
export type Detail = Schemas['CallDetail'];
export type Problem = Schemas['ProblemDocument'];

export const api = createClient<paths>({ baseUrl: '', fetch: patiently });

/** A refusal by the server, with what to do about it; status 0 when it could not be reached. */
export class Refusal extends Error {
    constructor(
        readonly status: number,
        detail: string,
        readonly pointer = '',
    ) {
        super(detail);
    }
}

/** The data of an answer, or a Refusal. */
export async function got<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
    let answer;
    try {
        answer = await call;
    } catch {
        throw new Refusal(0, 'The server cannot be reached. What you typed is kept on this device.');
    }
    if (answer.data !== undefined) {
        return answer.data;
    }
    const problem = answer.error as Partial<Problem> | undefined;
    throw new Refusal(answer.response.status, problem?.detail ?? 'The request was refused.', problem?.pointer);
}
