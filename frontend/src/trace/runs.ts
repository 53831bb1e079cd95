import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, got, type Schemas } from '../api/client';
import type { Practice } from '../api/hooks';

type Member = Schemas['SeriesMemberView'];
type Change = Pick<Schemas['LedgerEntry'], 'operation' | 'subject' | 'value'>;

/** With one lead held, what the other should show anywhere else: one request for all moves of it. */
export function useReach(callId: string, instrument: string, held: string | undefined, stateKey: string) {
    return useQuery({
        queryKey: ['reach', callId, instrument, held, stateKey],
        queryFn: () => got(api.GET('/api/calls/{id}/reach', { params: { path: { id: callId }, query: { instrument, held: held ?? '' } } })),
        enabled: held !== undefined,
        retry: false,
        staleTime: Infinity,
    });
}

export type Where = 'point' | 'circuit' | 'board' | 'any';

/** Tests at a place, or of a name; those that tell most a minute come first. */
export function useTests(callId: string, query: { where: Where; on: string; search: string } & Practice) {
    return useQuery({
        queryKey: ['call', callId, 'tests', query],
        queryFn: () => got(api.GET('/api/calls/{id}/tests', { params: { path: { id: callId }, query } })),
        placeholderData: keepPreviousData,
        retry: false,
    });
}

/** The same test as the house stands now, while its state is being made: it may have to be made safe first, or not any more. */
export function useTestNow(callId: string, test: string | null) {
    return useQuery({ queryKey: ['call', callId, 'test', test], queryFn: () => fetchTest(callId, test ?? ''), enabled: test !== null, retry: false, staleTime: 0, refetchOnMount: 'always' });
}

/** One test with what has to be done first; asked for when it is chosen. Since an entry: as it was listed when that was the last. */
export function fetchTest(callId: string, test: string, since?: string): Promise<Schemas['NextTestView']> {
    return got(api.GET('/api/calls/{id}/test', { params: { path: { id: callId }, query: { test, since } } }));
}

export function useRuns(callId: string, enabled: boolean) {
    return useQuery({ queryKey: ['call', callId, 'runs'], queryFn: () => got(api.GET('/api/calls/{id}/runs', { params: { path: { id: callId } } })), enabled });
}

export function useRun(callId: string, series: string) {
    return useQuery({ queryKey: ['call', callId, 'run', series], queryFn: () => got(api.GET('/api/calls/{id}/run', { params: { path: { id: callId }, query: { series } } })), enabled: series !== '', placeholderData: keepPreviousData });
}

/** The first reading of a run that is still to be taken after a given one, going round; -1 when all are taken. */
export function nextOpen(members: Member[], after: number, taken: ReadonlySet<string> = new Set()): number {
    for (let step = 1; step <= members.length; ++step) {
        const at = (after + step) % members.length;
        const member = members[at];
        if (member && member.raw === null && !taken.has(member.id)) {
            return at;
        }
    }
    return -1;
}

/** What was confirmed as done for a member: from which state of the house, and what it stood like then. */
export interface Prepared {
    from: string;
    print: string;
    changes: Change[];
}

/**
 * What has to be done before a member can be read: nothing, its changes, or not known until the server has weighed the house
 * as it stands now. The changes of a run begin from the state with its hash, and mean nothing from any other.
 */
export function need(member: Member, stateHash: string, now: { hash: string; print: string; isSettled: boolean }, prepared: Prepared | null): 'nothing' | 'changes' | 'unknown' {
    if (now.isSettled && now.hash === stateHash) {
        return member.changes.length === 0 ? 'nothing' : 'changes';
    }
    const isSame = prepared !== null && prepared.from === stateHash && prepared.print === now.print && print(prepared.changes) === print(member.changes);
    return isSame ? 'nothing' : 'unknown';
}

function print(changes: Change[]): string {
    return JSON.stringify(changes.map(({ operation, subject, value }) => [operation, subject, value]).sort());
}
