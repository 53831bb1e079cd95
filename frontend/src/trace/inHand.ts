import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, got, type Schemas } from '../api/client';

export type InHand = Schemas['InHandView'];

const NOTHING: InHand = { test: '', run: '', since: '', leftOut: [], forced: [] };

export const isNothing = ({ test, run }: InHand) => test === '' && run === '';

/**
 * What is in hand goes on on another device of the same person: said to the server as it changes, and asked once when the page
 * opens with nothing in hand.
 */
export function useInHand(callId: string, now: InHand, mayTake: boolean, onFound: (found: InHand) => void): void {
    const nothing = isNothing(now);
    const asked = useQuery({
        queryKey: ['in-hand', callId],
        queryFn: () => got(api.GET('/api/calls/{id}/in-hand', { params: { path: { id: callId } } })),
        enabled: mayTake,
        retry: false,
        staleTime: Infinity,
        gcTime: 0,
    });
    const said = useRef<string | null>(null);
    const found = asked.data;
    useEffect(() => {
        if (!mayTake || found === undefined) {
            return;
        }
        const isFirst = said.current === null;
        said.current ??= JSON.stringify(found);
        if (isFirst && nothing && !isNothing(found)) {
            onFound(found);
            return;
        }
        const text = JSON.stringify(nothing ? NOTHING : now);
        if (text !== said.current) {
            said.current = text;
            // Without signal it stays on this device; the next change says it again.
            api.PUT('/api/calls/{id}/in-hand', { params: { path: { id: callId } }, body: nothing ? NOTHING : now }).catch(() => (said.current = ''));
        }
    });
}
