import { useState } from 'react';
import type { Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import { useKeys } from '../ui/keys';
import { Button, Modal, Refused } from '../ui/parts';
import { say } from '../words';

/** Danger, on every stage: the main switch before anything else. Off is what the person says they did, in an act of its own. */
export function DangerNow({ detail, className = '', isShort = false, onKey = true }: { detail: Detail; className?: string; isShort?: boolean; onKey?: boolean }) {
    const observe = useObserve(detail.call.id);
    const [open, setOpen] = useState(false);
    useKeys(onKey ? { '!': () => setOpen(true) } : {});
    const main = detail.standing?.main ?? null;
    return (
        <>
            <button type="button" aria-label={say('danger.open')} className={`min-h-11 shrink-0 rounded-sm border-2 border-bad bg-sheet px-2.5 font-bold whitespace-nowrap text-bad ${className}`} onClick={() => setOpen(true)}>
                <span aria-hidden="true">▲ </span>
                {isShort ? (
                    say('danger.short')
                ) : (
                    <>
                        <span className="max-sm:hidden">{say('danger.open')}</span>
                        <span className="sm:hidden">{say('danger.short')}</span>
                    </>
                )}
                {onKey && <Key of="!" />}
            </button>
            <Modal open={open} onClose={() => setOpen(false)} title={say('danger.title')}>
                <p className="mb-4 text-lg">{say('safe.danger-do')}</p>
                <Refused error={observe.error} />
                <div className="flex flex-wrap gap-3">
                    <Button look="danger" disabled={observe.isPending} onClick={() => observe.mutate({ kind: 'isolation', payload: { step: 'danger-now', ...(main === null ? {} : { switched: [main] }) } }, { onSuccess: () => setOpen(false) })}>
                        {say('danger.done')}
                    </Button>
                    <Button onClick={() => setOpen(false)}>{say('danger.back')}</Button>
                </div>
            </Modal>
        </>
    );
}

/** The key that does the same, where there is a keyboard. */
export function Key({ of }: { of: string }) {
    return (
        <kbd aria-hidden="true" className="ml-1.5 inline-block rounded-xs border border-current px-1 font-mono text-xs leading-4 font-normal compact:hidden">
            {of}
        </kbd>
    );
}
