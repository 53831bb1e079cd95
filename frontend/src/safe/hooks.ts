import { useQuery } from '@tanstack/react-query';
import { api, got } from '../api/client';

export type Level = 'circuit' | 'board';

/** What an isolation at a place opens, leaves live and asks to be tried; asked again when the state or the readings change. */
export function useScope(callId: string, place: string, level: Level) {
    return useQuery({
        queryKey: ['call', callId, 'scope', place, level],
        queryFn: () => got(api.GET('/api/calls/{id}/isolation-scope', { params: { path: { id: callId }, query: { place, level } } })),
        enabled: place !== '',
        placeholderData: (old) => old,
    });
}

export function useWayBack(callId: string) {
    return useQuery({ queryKey: ['call', callId, 'way-back'], queryFn: () => got(api.GET('/api/calls/{id}/way-back', { params: { path: { id: callId } } })), placeholderData: (old) => old });
}

/** What may be feeding the voltage that stopped the isolation. */
export function useFeeding(callId: string, enabled: boolean) {
    return useQuery({ queryKey: ['call', callId, 'feeding'], queryFn: () => got(api.GET('/api/calls/{id}/feeding', { params: { path: { id: callId } } })), enabled, retry: false });
}
