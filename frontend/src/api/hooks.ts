import { notifyManager, type QueryClient, useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import * as outbox from '../outbox/outbox';
import type { Kind, NewEntry, PayloadOf, Pending } from '../outbox/store';
import { useQuiet } from '../ui/quiet';
import { api, got, type Refusal, type Schemas } from './client';

export function useMe() {
    return useQuery({ queryKey: ['me'], queryFn: () => got(api.GET('/api/me')), retry: false, staleTime: 60_000 });
}

/** Calls that are open or closed, newest first, a page at a time. */
export function useCalls(closed = false, search = '') {
    return useInfiniteQuery({
        queryKey: ['calls', closed, search],
        queryFn: ({ pageParam }) => got(api.GET('/api/calls', { params: { query: { closed, search, after: pageParam } } })),
        initialPageParam: '',
        getNextPageParam: (page) => page.next,
        placeholderData: (old) => old,
    });
}

/** Houses whose address has these words, the first of them. */
export function useHouses(search: string) {
    return useQuery({ queryKey: ['houses', search], queryFn: () => got(api.GET('/api/houses', { params: { query: { search } } })), placeholderData: (old) => old });
}

export function usePicks() {
    return useQuery({ queryKey: ['picks'], queryFn: () => got(api.GET('/api/picks')), staleTime: Infinity });
}

export function useInstruments() {
    return useQuery({ queryKey: ['instruments'], queryFn: () => got(api.GET('/api/instruments')), staleTime: Infinity });
}

const byId = (id: string) => ({ params: { path: { id } } });

export function useCall(id: string) {
    return useQuery({ queryKey: ['call', id], queryFn: () => got(api.GET('/api/calls/{id}', byId(id))) });
}

/** What hangs on the journal is asked for again after each observation; the old answer stays in sight meanwhile. */
export function useMap(id: string, enabled: boolean) {
    return useQuery({ queryKey: ['call', id, 'map'], queryFn: () => got(api.GET('/api/calls/{id}/map', byId(id))), enabled, placeholderData: (old) => old });
}

export function useRanking(id: string, enabled: boolean) {
    return useQuery({ queryKey: ['call', id, 'ranking'], queryFn: () => got(api.GET('/api/calls/{id}/ranking', byId(id))), enabled, placeholderData: (old) => old });
}

/** How this person works: the testers that are not to hand, what they may do, and which of two ways they take. */
export interface Practice {
    without: string;
    role: 'electrician' | 'assistant';
    residual: 'either' | 'board' | 'point';
    loop: 'measured' | 'calculated';
}

export function useNextTests(id: string, practice: Practice, enabled: boolean) {
    return useQuery({ queryKey: ['call', id, 'next', practice], queryFn: () => got(api.GET('/api/calls/{id}/next-tests', { params: { path: { id }, query: practice } })), enabled, placeholderData: (old) => old });
}

export function useContradictions(id: string, enabled: boolean) {
    return useQuery({ queryKey: ['call', id, 'contradictions'], queryFn: () => got(api.GET('/api/calls/{id}/contradictions', byId(id))), enabled, placeholderData: (old) => old });
}

export interface Connection {
    terminals: string[];
    around: string[];
}

export function usePrediction(id: string, instrument: string, connection: Connection | null, stateKey: string, forced: string[] = []) {
    return useQuery({
        queryKey: ['call', id, 'prediction', instrument, connection, stateKey, forced],
        queryFn: () => got(api.POST('/api/calls/{id}/predictions', { ...byId(id), body: { instrument, connection: { ...connection }, forced } })),
        enabled: connection !== null,
        retry: false,
    });
}

/** What a figure would mean where the leads are, before it is stored; nothing while that is not known. */
export function useGlance(id: string, instrument: string, connection: Connection | null, stateKey: string, forced: string[], raw: string) {
    const is = useQuiet(raw, 200) && connection !== null && raw.trim() !== '';
    const glance = useQuery({
        queryKey: ['glance', id, instrument, connection, stateKey, forced, raw],
        queryFn: () => got(api.POST('/api/calls/{id}/glance', { ...byId(id), body: { instrument, connection: { ...connection }, forced, raw } })),
        enabled: is,
        retry: false,
        staleTime: Infinity,
    });
    return is ? glance.data : undefined;
}

/** Whoever stays there is about to read: what every cause would show is worked out before the reading comes. */
export function usePrepared(id: string, instrument: string, connection: Connection | null, stateKey: string, stays: boolean) {
    useQuery({
        queryKey: ['prepared', id, instrument, connection, stateKey],
        queryFn: () => api.POST('/api/calls/{id}/preparations', { ...byId(id), body: { instrument, connection: { ...connection } } }).then(() => true),
        enabled: connection !== null && stays,
        retry: false,
        staleTime: Infinity,
    });
}

/** What the page of a call asks for only once the ranking is there: it must not hold that up. */
const FOLLOWS: unknown[] = ['map', 'prediction', 'consistency', 'next', 'contradictions'];

/** The answer is the call as it is now; what hangs on it is asked for again in the same breath, the ranking first. */
async function stored(client: QueryClient, detail: Schemas['CallDetail']): Promise<void> {
    const hangs = (follows: boolean) => ({ queryKey: ['call', detail.call.id], predicate: ({ queryKey }: { queryKey: readonly unknown[] }) => queryKey.length > 2 && FOLLOWS.includes(queryKey[2]) === follows });
    const ranked = notifyManager.batch(() => {
        client.setQueryData(['call', detail.call.id], detail);
        return client.invalidateQueries(hangs(false));
    });
    await ranked;
    await client.invalidateQueries(hangs(true));
}

/** From now on what is stored is shown: once, by whoever owns the page. */
export function useStored(): void {
    const client = useQueryClient();
    useEffect(() => {
        outbox.whenStored((detail) => {
            void stored(client, detail);
            void client.invalidateQueries({ queryKey: ['calls'] });
        });
        void outbox.load();
    }, [client]);
}

/** One kind of entry with what it holds; any other pair is no entry. */
export type Entry = { [K in Kind]: { kind: K; payload: PayloadOf<K> } }[Kind];

/** What an entry of this person on this call is made from. */
export function useDraftOf(callId: string): (entry: Entry) => outbox.Draft {
    const client = useQueryClient();
    const me = useMe();
    const person = me.data?.email ?? '';
    return ({ kind, payload }) => ({ callId, person, kind, payload: payload as NewEntry['payload'], seen: client.getQueryData<Schemas['CallDetail']>(['call', callId])?.position ?? 0 });
}

/** Hands an entry over at once and waits for nothing; whoever sends it is told only of a refusal. Answers with its id. */
export function useSend(callId: string): (entry: Entry, onRefused?: (refusal: Refusal, id: string) => void) => string {
    const draft = useDraftOf(callId);
    return (entry, onRefused) => {
        const { entry: kept, sent } = outbox.add(draft(entry));
        void sent.then((result) => result.outcome === 'refused' && onRefused?.(result.refusal, kept.id));
        return kept.id;
    };
}

/**
 * Stores an observation through the outbox and shows the call as it is then. Kept here while the server is away, it counts as
 * done: it is in the list of what waits. Refused, it comes back to the form that sent it, while that is still there; else it
 * stays in the list with its reason.
 */
export function useObserve(callId: string) {
    const draft = useDraftOf(callId);
    const here = useRef(true);
    const underway = useRef(new Set<string>());
    useEffect(() => {
        here.current = true;
        return () => {
            here.current = false;
        };
    }, []);
    const mutation = useMutation({
        mutationFn: async (entry: Entry) => {
            const { entry: kept, sent } = outbox.add(draft(entry));
            const result = await sent;
            if (result.outcome === 'refused') {
                if (here.current) {
                    outbox.remove(kept.id);
                }
                throw result.refusal;
            }
            return result;
        },
    });
    // A second press of the same stores nothing twice.
    const once = (entry: Entry) => {
        const key = JSON.stringify(entry);
        if (underway.current.has(key)) {
            return null;
        }
        underway.current.add(key);
        return () => underway.current.delete(key);
    };
    return {
        error: mutation.error,
        isPending: mutation.isPending,
        mutate: (entry: Entry, then: { onSuccess?: () => void } = {}) => {
            const over = once(entry);
            if (over) {
                mutation.mutate(entry, { ...(then.onSuccess ? { onSuccess: then.onSuccess } : {}), onSettled: () => void over() });
            }
        },
        mutateAsync: async (entry: Entry) => {
            const over = once(entry);
            if (over) {
                await mutation.mutateAsync(entry).finally(() => void over());
            }
        },
    };
}

/** Entries of this person that are on their way or refused. */
export function usePending(): Pending[] {
    const all = useSyncExternalStore(outbox.onChange, outbox.all);
    const me = useMe();
    const person = me.data?.email ?? '';
    return useMemo(() => all.filter((entry) => entry.person === person), [all, person]);
}

export function useSums() {
    return useQuery({ queryKey: ['sums'], queryFn: () => got(api.GET('/api/sums')), staleTime: Infinity });
}

/** What comes out of a sum; the last answer stays in sight while the next is worked out. */
export function useSum(slug: string, given: Record<string, string>) {
    return useQuery({ queryKey: ['sum', slug, given], queryFn: () => got(api.POST('/api/sums/{slug}', { params: { path: { slug } }, body: { given } })), retry: false, staleTime: Infinity, placeholderData: (old, query) => (query?.queryKey[1] === slug ? old : undefined) });
}
