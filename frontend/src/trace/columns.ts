import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, got, type Schemas } from '../api/client';

/** Columns that the ranking makes while nobody would notice. */
const FEW = 3;

/** Columns of one request: short enough that the count moves, long enough that a request is worth it. */
const CHUNK = 2;

/**
 * How far the ranking of a house that is new, or surveyed otherwise, is prepared; null while there is nothing to wait for. The
 * ranking itself works through the readings from the first; from here they are asked for from the last, so that two work at once.
 */
export function useColumns(callId: string, houseVersion: string, enabled: boolean): Schemas['ColumnsView'] | null {
    const client = useQueryClient();
    const path = { params: { path: { id: callId } } };
    const told = ['columns told', callId, houseVersion];
    useQuery({
        queryKey: ['columns', callId, houseVersion],
        queryFn: async () => {
            let view = await got(api.GET('/api/calls/{id}/columns', path));
            if (view.missing.length <= FEW) {
                return view;
            }
            client.setQueryData(told, view);
            while (view.missing.length > 0) {
                view = await got(api.POST('/api/calls/{id}/columns', { ...path, body: { observations: view.missing.slice(-CHUNK) } }));
                client.setQueryData(told, view);
            }
            return view;
        },
        enabled,
        retry: false,
        staleTime: Infinity,
    });
    const { data } = useQuery<Schemas['ColumnsView']>({ queryKey: told, queryFn: () => Promise.reject(new Error('told, not asked for')), enabled: false });
    return data === undefined || data.missing.length === 0 ? null : data;
}
