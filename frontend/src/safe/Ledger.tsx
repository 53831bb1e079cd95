import type { Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Refused } from '../ui/parts';

/** Everything done to the house for the time being, each with the way back; energising waits for lifted conductors and links. */
export function Ledger({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const back = (entry: Detail['ledger'][number]) => {
        observe.mutate({ kind: 'done', payload: { changes: [{ operation: entry.backOperation, subject: entry.subject, value: entry.backValue }] } });
    };
    return (
        <section>
            <h2 className="mb-1 font-bold">For the time being</h2>
            {detail.ledger.length === 0 && <p className="text-soft">The house is as it was found.</p>}
            <ul className="divide-y divide-line">
                {detail.ledger.map((entry) => (
                    <li key={entry.operation + entry.subject + entry.value} className="flex items-center justify-between gap-2 py-1">
                        <span className="min-w-0 break-words">{entry.words}</span>
                        <Button look="quiet" disabled={observe.isPending} onClick={() => back(entry)}>
                            Back
                        </Button>
                    </li>
                ))}
            </ul>
            <Refused error={observe.error} />
        </section>
    );
}
