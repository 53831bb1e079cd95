import type { Detail, Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Modal, Refused } from '../ui/parts';
import { back } from '../trace/preparation';
import { say } from '../words';
import { WayBack } from './WayBack';

type Temporary = Schemas['Temporary'];

/** What is not put back yet, in the only safe order; what waits for something else says so. */
export function PutBack({ detail, open, onClose }: { detail: Detail; open: boolean; onClose: () => void }) {
    return (
        <Modal open={open} onClose={onClose} title={say('strip.put-back')}>
            <Temporaries detail={detail} />
            <WayBack detail={detail} />
        </Modal>
    );
}

/** Everything changed for the time being but devices, which are closed one by one and watched; conductors and loads go back together where there are many. */
export function Temporaries({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const all = detail.standing?.temporary.filter((each) => each.kind !== 'device') ?? [];
    const undo = (entries: Temporary[]) => observe.mutate({ kind: 'done', payload: { changes: entries.map(({ change }) => back(change)) } });
    const joints = all.filter((each) => each.kind !== 'load');
    const loads = all.filter((each) => each.kind === 'load');
    return (
        <section aria-label={say('ledger.title')}>
            <h2 className="mb-1 font-bold">{say('ledger.title')}</h2>
            {all.length === 0 && <p className="text-soft">{say('ledger.nothing')}</p>}
            <div className="flex flex-wrap gap-2">
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
            </div>
            <ul className="mb-3 divide-y divide-line">
                {all.map((each) => (
                    <li key={each.change.operation + each.change.subject} className="flex items-center justify-between gap-2 py-1">
                        <span className="min-w-0 break-words">{each.change.words}</span>
                        {each.isOpen ? (
                            <Button look="quiet" className="whitespace-nowrap" disabled={observe.isPending} onClick={() => undo([each])}>
                                {say('ledger.back')}
                            </Button>
                        ) : (
                            <span className="text-sm text-soft">{say('ledger.later')}</span>
                        )}
                    </li>
                ))}
            </ul>
            <Refused error={observe.error} />
        </section>
    );
}
