import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, got } from '../api/client';
import type { Sheet } from './sheet';

export function useSurveyLists(ruleSet: Sheet['ruleSet']) {
    return useQuery({ queryKey: ['survey', ruleSet], queryFn: () => got(api.GET('/api/surveys/{ruleSet}', { params: { path: { ruleSet } } })), staleTime: Infinity });
}

/** What the sheet makes, as it stands; the last answer stays in sight while the next is drawn up. */
export function useDrawnUp(address: string, sheet: Record<string, unknown> | null) {
    return useQuery({ queryKey: ['drawn-up', address, sheet], queryFn: () => got(api.POST('/api/surveys', { body: { address, sheet: sheet ?? {} } })), enabled: sheet !== null, retry: false, staleTime: Infinity, placeholderData: (old) => old });
}

export function useBoard(callId: string, version: number | null) {
    return useQuery({ queryKey: ['call', callId, 'board', version], queryFn: () => got(api.GET('/api/calls/{id}/board', { params: { path: { id: callId } } })), enabled: version !== null });
}

export function useHouse(houseId: string | null) {
    return useQuery({ queryKey: ['house', houseId], queryFn: () => got(api.GET('/api/houses/{id}', { params: { path: { id: houseId ?? '' } } })), enabled: houseId !== null });
}

/** Stores the sheet as the house of the call; the same id again is the same house. */
export function useStoreSurvey(callId: string) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: ({ id, sheet }: { id: string; sheet: Record<string, unknown> }) => got(api.POST('/api/calls/{id}/survey', { params: { path: { id: callId } }, body: { id, sheet } })),
        onSuccess: (detail) => {
            client.setQueryData(['call', callId], detail);
            void client.invalidateQueries({ queryKey: ['call', callId] });
            void client.invalidateQueries({ queryKey: ['houses'] });
        },
    });
}

export function useChangeHouse(callId: string, houseId: string) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (change: { id: string; baseVersion: number; operation: Record<string, unknown> }) => got(api.POST('/api/houses/{id}/operations', { params: { path: { id: houseId } }, body: change })),
        onSuccess: (house) => {
            client.setQueryData(['house', houseId], house);
            void client.invalidateQueries({ queryKey: ['call', callId] });
        },
    });
}
