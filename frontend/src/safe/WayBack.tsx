import type { Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Refused } from '../ui/parts';
import { useWayBack } from './hooks';

/** Bringing the board back: one device at a time from the feeder on, watched against what is expected live and dead. */
export function WayBack({ detail }: { detail: Detail }) {
    const steps = useWayBack(detail.call.id);
    const observe = useObserve(detail.call.id);
    const first = steps.data?.[0];
    if (!first) {
        return null;
    }
    const blocked = detail.ledger.some((entry) => entry.operation === 'lift' || entry.operation === 'link');
    return (
        <section aria-label="The way back" className="border border-ink bg-sheet p-3">
            <h2 className="font-bold">The way back</h2>
            <p className="mb-2 text-sm">▲ Nothing lifted, no links, covers on, people told. One device at a time; watch each before the next.</p>
            {blocked && <p className="mb-2 font-bold text-doubt">▲ Conductors are lifted or links fitted: clear the list below first.</p>}
            <Refused error={observe.error ?? steps.error} />
            <ol className="space-y-2">
                {steps.data?.map((step, at) => (
                    <li key={step.device} className={at === 0 ? '' : 'text-soft'}>
                        <div className="flex items-center gap-2">
                            <span className="flex-1 font-bold">{step.name}</span>
                            {at === 0 && (
                                <Button disabled={observe.isPending} onClick={() => observe.mutate({ kind: 'done', payload: { changes: [{ operation: 'set', subject: step.device, value: 'on' }], watched: { live: step.live, dead: step.dead } } })}>
                                    On, and as expected
                                </Button>
                            )}
                        </div>
                        {at === 0 && (
                            <dl className="grid grid-cols-[4rem_1fr] gap-x-2 text-sm">
                                <dt>live</dt>
                                <dd>{step.live.length === 0 ? 'nothing more' : step.live.slice(0, 8).join(', ') + (step.live.length > 8 ? ` and ${step.live.length - 8} more` : '')}</dd>
                                <dt>dead</dt>
                                <dd>{step.dead.length === 0 ? 'nothing' : step.dead.join(', ')}</dd>
                            </dl>
                        )}
                    </li>
                ))}
            </ol>
        </section>
    );
}
