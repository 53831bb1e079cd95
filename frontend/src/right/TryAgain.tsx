import { Link } from 'react-router';
import type { Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, clock, Mark, Refused } from '../ui/parts';

/** The complaint tried again after a repair: what is left brings it back, and the ranking looks for a second fault. */
export function TryAgain({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const standing = new Set(detail.record.filter((line) => line.withdrawn === null).map((line) => line.id));
    const tries = detail.observations.filter((each) => each.kind === 'tried' && standing.has(each.id));
    const told = detail.record.filter((line) => line.kind === 'told' && line.withdrawn === null).map((line) => line.words);
    const last = tries.at(-1);
    const store = (outcome: 'gone' | 'there') => observe.mutate({ kind: 'tried', payload: { outcome } });
    if (!detail.canTry) {
        return null;
    }
    return (
        <section aria-label="Try the complaint again">
            <h2 className="mb-1 text-xl font-bold">Try the complaint again</h2>
            <p className="mb-2 break-words text-soft">Once it is proved and alive again, do what brought it on: “{told.length > 0 ? told.join(' ') : detail.call.complaint}” One fault in seven has another beside it.</p>
            <ul>
                {tries.map((each) => (
                    <li key={each.id}>
                        <Mark of={each.payload.outcome === 'gone' ? 'good' : 'bad'} word={each.payload.outcome === 'gone' ? 'Gone' : 'Still there'} /> at {clock(each.at)} by {each.by}
                    </li>
                ))}
            </ul>
            {last?.payload.outcome === 'there' && (
                <p className="my-2 border-l-4 border-bad pl-3">
                    Something is left.{' '}
                    <Link className="underline" to={`/calls/${detail.call.id}/trace`}>
                        Trace on: what was repaired no longer counts
                    </Link>
                    .
                </p>
            )}
            <Refused error={observe.error} />
            {detail.call.stage !== 'closed' && (
                <div className="mt-2 flex flex-wrap gap-3">
                    <Button disabled={observe.isPending} onClick={() => store('gone')}>
                        Gone
                    </Button>
                    <Button disabled={observe.isPending} onClick={() => store('there')}>
                        Still there
                    </Button>
                </div>
            )}
        </section>
    );
}
