import { useMe } from '../api/hooks';
import type { Schemas } from '../api/client';

type Act = Schemas['Me']['may'][number];

/** Whether whoever is logged in may do something; the server decides all the same. */
export function useMay(): (act: Act) => boolean {
    const me = useMe();
    return (act) => me.data?.may.includes(act) ?? false;
}
