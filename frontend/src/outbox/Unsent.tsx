import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { useMe, usePending } from '../api/hooks';
import { FULL } from '../ui/storage';
import { Button, clock, inputLook, Modal } from '../ui/parts';
import { say } from '../words';
import * as outbox from './outbox';
import type { NewEntry, Pending } from './store';

const RETRY_MILLISECONDS = 8000;

/** What has not reached the server: a list with what waits and what was refused, always in sight while there is any. */
export function Unsent() {
    const mine = usePending();
    const me = useMe();
    const person = me.data?.email ?? '';
    const everybody = useSyncExternalStore(outbox.onChange, outbox.all);
    const trouble = useSyncExternalStore(outbox.onChange, outbox.trouble);
    const isFull = useFull();
    const client = useQueryClient();
    const [open, setOpen] = useState(false);
    const waiting = mine.filter((entry) => !entry.refused);
    const refused = mine.filter((entry) => entry.refused);
    const count = waiting.length;
    useEffect(() => {
        if (count === 0 || person === '') {
            return;
        }
        const send = () => void outbox.flush(person).then(() => client.invalidateQueries({ queryKey: ['calls'] }));
        const timer = setInterval(send, RETRY_MILLISECONDS);
        addEventListener('online', send);
        return () => {
            clearInterval(timer);
            removeEventListener('online', send);
        };
    }, [count, person, client]);
    // A quick answer needs no word: what is on its way for longer is said.
    const lasting = useLasting(count > 0);
    const others = everybody.filter((entry) => entry.person !== person).length;
    return (
        <>
            {(lasting || refused.length > 0) && count + refused.length > 0 && (
                <button type="button" className={`min-h-11 min-w-0 border-l-4 px-3 text-left ${refused.length > 0 ? 'border-bad text-bad' : 'border-doubt text-doubt'}`} onClick={() => setOpen(true)}>
                    <span aria-hidden="true">{refused.length > 0 ? '◆ ' : '▲ '}</span>
                    {[lasting && count > 0 && say('pending.waiting', { count }), refused.length > 0 && say('pending.refused', { count: refused.length })].filter(Boolean).join(', ')}
                </button>
            )}
            {(trouble !== null || isFull) && (
                <p role="alert" className="border-l-4 border-bad px-3 text-sm text-bad">
                    ◆ {trouble === null ? say('failed.quota') : say(`pending.${trouble}`)}
                </p>
            )}
            <Modal open={open} onClose={() => setOpen(false)} title={say('pending.title')}>
                <p className="mb-3 text-soft">{say('pending.intro')}</p>
                {mine.length === 0 && <p>{say('pending.none')}</p>}
                <ul className="divide-y divide-line">
                    {mine.map((entry) => (
                        <Row key={entry.id} entry={entry} />
                    ))}
                </ul>
                {others > 0 && <p className="mt-3 text-soft">{say('pending.others', { count: others })}</p>}
                {count > 0 && (
                    <div className="mt-3">
                        <Button onClick={() => void outbox.flush(person)}>{say('pending.now')}</Button>
                    </div>
                )}
            </Modal>
        </>
    );
}

function Row({ entry }: { entry: Pending }) {
    const [editing, setEditing] = useState(false);
    const [saved, setSaved] = useState(false);
    const save = () => {
        const link = document.createElement('a');
        link.href = URL.createObjectURL(new Blob([JSON.stringify(entry, null, 2)], { type: 'application/json' }));
        link.download = `entry-${entry.id}.json`;
        link.click();
        setSaved(true);
    };
    return (
        <li className="space-y-1 py-2">
            <p className="break-words">
                <span className="font-bold">{say(`kind.${entry.kind}`)}</span> {texts(entry).map(([, text]) => text).join('; ')}
            </p>
            <p className="text-sm text-soft">{clock(entry.at)}</p>
            {entry.refused ? <p className="text-bad">◆ {entry.refused.reason}</p> : <p className="text-doubt">▲ {say('pending.waits')}</p>}
            {entry.refused && (
                <div className="flex flex-wrap gap-2">
                    <Button onClick={() => outbox.again(entry.id)}>{say('pending.again')}</Button>
                    {texts(entry).length > 0 && <Button onClick={() => setEditing(!editing)}>{say('pending.right')}</Button>}
                    <Button onClick={save}>{say('pending.save')}</Button>
                    <Button look="quiet" disabled={!saved} title={saved ? undefined : say('pending.sure')} onClick={() => outbox.remove(entry.id)}>
                        {say('pending.remove')}
                    </Button>
                </div>
            )}
            {editing && <PutRight entry={entry} onDone={() => setEditing(false)} />}
        </li>
    );
}

/** What was typed of an entry. */
function texts(entry: Pending): [string, string][] {
    return Object.entries(entry.payload).filter((each): each is [string, string] => typeof each[1] === 'string' && ['raw', 'text', 'reason', 'near', 'how', 'finding', 'skipped', 'explained', 'notClamped', 'materials'].includes(each[0]));
}

function PutRight({ entry, onDone }: { entry: Pending; onDone: () => void }) {
    const [typed, setTyped] = useState(() => Object.fromEntries(texts(entry)));
    return (
        <form
            className="space-y-2"
            onSubmit={(event) => {
                event.preventDefault();
                outbox.again(entry.id, { ...entry.payload, ...typed } as NewEntry['payload']);
                onDone();
            }}
        >
            {Object.entries(typed).map(([key, text]) => (
                <label key={key} className="block text-sm">
                    {say(`field.${key}`)}
                    <input className={inputLook} value={text} onChange={(event) => setTyped({ ...typed, [key]: event.target.value })} />
                </label>
            ))}
            <Button type="submit">{say('pending.again')}</Button>
        </form>
    );
}

/** Whether something has been so for longer than a blink. */
function useLasting(is: boolean): boolean {
    const [lasting, setLasting] = useState(false);
    useEffect(() => {
        const timer = setTimeout(() => setLasting(is), is ? 1200 : 0);
        return () => clearTimeout(timer);
    }, [is]);
    return lasting && is;
}

function useFull(): boolean {
    const [full, setFull] = useState(false);
    useEffect(() => {
        const told = () => setFull(true);
        addEventListener(FULL, told);
        return () => removeEventListener(FULL, told);
    }, []);
    return full;
}
