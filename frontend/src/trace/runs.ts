import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, got, type Schemas } from '../api/client';

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

export function useRuns(callId: string, enabled: boolean) {
    return useQuery({ queryKey: ['call', callId, 'runs'], queryFn: () => got(api.GET('/api/calls/{id}/runs', { params: { path: { id: callId } } })), enabled });
}

export function useRun(callId: string, series: string) {
    return useQuery({ queryKey: ['call', callId, 'run', series], queryFn: () => got(api.GET('/api/calls/{id}/run', { params: { path: { id: callId }, query: { series } } })), enabled: series !== '', placeholderData: keepPreviousData });
}

/** The first reading of a run that is still to be taken after a given one, going round; -1 when all are taken. */
export function nextOpen(members: Schemas['SeriesMemberView'][], after: number): number {
    for (let step = 1; step <= members.length; ++step) {
        const at = (after + step) % members.length;
        if (members[at]?.raw === null) {
            return at;
        }
    }
    return -1;
}
