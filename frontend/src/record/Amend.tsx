import { useState } from 'react';
import { useObserve } from '../api/hooks';
import { Button, inputLook, Modal, Refused, useDraft } from '../ui/parts';
import { say } from '../words';

export type Amending = 'corrected' | 'withdrawn' | 'doubted';

interface Props {
    callId: string;
    /** The entry that it is about. */
    id: string;
    words: string;
    act: Amending;
    /** Of a reading what was typed: then the figure is put right, and not the words. */
    raw?: string;
    onClose: () => void;
}

/** Putting an entry right, taking it back, or doubting it: beside it, never in its place. */
export function Amend({ callId, id, words, act, raw, onClose }: Props) {
    const observe = useObserve(callId);
    const [text, setText] = useDraft(`${callId}.amend.${id}`);
    const [figure, setFigure] = useState(raw ?? '');
    const [reason, setReason] = useDraft(`${callId}.amend`);
    const over = () => {
        setReason('');
        setText('');
        onClose();
    };
    const store = () => {
        const about = { observation: id, reason };
        if (act === 'corrected') {
            observe.mutate({ kind: 'corrected', payload: { ...about, ...(raw === undefined ? { text } : { raw: figure }) } }, { onSuccess: over });
        } else {
            observe.mutate({ kind: act, payload: about }, { onSuccess: over });
        }
    };
    return (
        <Modal open onClose={onClose} title={say(`amend.title.${act}`)}>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    store();
                }}
            >
                <p className="break-words">“{words}”</p>
                <p className="text-soft">{say('amend.stays')}</p>
                {act === 'corrected' && raw === undefined && (
                    <label className="block font-bold">
                        {say('amend.text')}
                        <textarea className={`${inputLook} mt-1 font-normal`} rows={3} required maxLength={2000} value={text} onChange={(event) => setText(event.target.value)} />
                    </label>
                )}
                {act === 'corrected' && raw !== undefined && (
                    <label className="block font-bold">
                        {say('amend.figure')}
                        <input className={`${inputLook} mt-1 font-mono`} required maxLength={40} value={figure} onChange={(event) => setFigure(event.target.value)} />
                    </label>
                )}
                <label className="block font-bold">
                    {say('amend.reason')}
                    <input className={`${inputLook} mt-1 font-normal`} required maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
                </label>
                <Refused error={observe.error} />
                <Button type="submit" disabled={observe.isPending}>
                    {say(`amend.store.${act}`)}
                </Button>
            </form>
        </Modal>
    );
}
