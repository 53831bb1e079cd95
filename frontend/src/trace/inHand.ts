import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, got, type Schemas } from '../api/client';
import { fetchTest } from './runs';

export type InHand = Schemas['InHandView'];

const NOTHING: InHand = { test: '', run: '', since: '', leftOut: [], forced: [] };

interface Desk {
    callId: string;
    now: InHand;
    mayTake: boolean;
    /** Whether something else was begun: what was in hand elsewhere is left alone then. */
    isBusy: boolean;
    onFound: (found: InHand, test: Schemas['NextTestView'] | null) => void;
}

const isNothing = ({ test, run }: InHand) => test === '' && run === '';

/**
 * What is in hand goes on on another device of the same person: said to the server as it changes, and asked once when the page
 * opens with nothing in hand.
 */
export function useInHand({ callId, now, mayTake, isBusy, onFound }: Desk): void {
    const nothing = isNothing(now);
    const once = { enabled: mayTake, retry: false, staleTime: Infinity, gcTime: 0 };
    const found = useQuery({ ...once, queryKey: ['in-hand', callId], queryFn: () => got(api.GET('/api/calls/{id}/in-hand', { params: { path: { id: callId } } })) }).data;
    const wanted = found !== undefined && nothing && found.run === '' ? found.test : '';
    const test = useQuery({ ...once, queryKey: ['in-hand', callId, 'test', wanted], queryFn: () => fetchTest(callId, wanted, found?.since), enabled: wanted !== '' });
    const said = useRef<string | null>(null);
    const isKnown = found !== undefined && (wanted === '' || !test.isPending);
    useEffect(() => {
        if (!mayTake || !isKnown) {
            return;
        }
        if (said.current === null) {
            said.current = JSON.stringify(found);
            if (nothing && !isBusy && !isNothing(found) && (found.run !== '' || test.data !== undefined)) {
                onFound(found, test.data ?? null);
                return;
            }
        }
        const text = JSON.stringify(nothing ? NOTHING : now);
        if (text !== said.current) {
            said.current = text;
            // Without signal it stays on this device; the next change says it again.
            api.PUT('/api/calls/{id}/in-hand', { params: { path: { id: callId } }, body: nothing ? NOTHING : now }).catch(() => (said.current = ''));
        }
    });
}
