import type { Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Refused } from '../ui/parts';
import { say } from '../words';

type Entry = Detail['ledger'][number];

const back = (entry: Entry) => ({ operation: entry.backOperation, subject: entry.subject, value: entry.backValue });

/** Everything done to the house for the time being, each with the way back; conductors and links go back together where there are many. */
export function Ledger({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const undo = (entries: Entry[]) => observe.mutate({ kind: 'done', payload: { changes: entries.map(back) } });
    const loads = detail.ledger.filter((entry) => entry.backOperation === 'load');
    const joints = detail.ledger.filter((entry) => entry.backOperation === 'refit' || entry.backOperation === 'unlink');
    return (
        <section aria-label={say('ledger.title')}>
            <h2 className="mb-1 font-bold">{say('ledger.title')}</h2>
            {detail.ledger.length === 0 && <p className="text-soft">{say('ledger.none')}</p>}
            {joints.length > 1 && (
                <Button disabled={observe.isPending} onClick={() => undo(joints)}>
                    {say('ledger.all', { count: joints.length })}
                </Button>
            )}
            {loads.length > 1 && (
                <Button disabled={observe.isPending} onClick={() => undo(loads)}>
                    {say('ledger.loads', { count: loads.length })}
                </Button>
            )}
            <ul className="divide-y divide-line">
                {detail.ledger.map((entry) => (
                    <li key={entry.operation + entry.subject + entry.value} className="flex items-center justify-between gap-2 py-1">
                        <span className="min-w-0 break-words">{entry.words}</span>
                        <Button look="quiet" className="whitespace-nowrap" disabled={observe.isPending} onClick={() => undo([entry])}>
                            {say('ledger.back')}
                        </Button>
                    </li>
                ))}
            </ul>
            <Refused error={observe.error} />
        </section>
    );
}
