import { useState } from 'react';
import type { Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, clock, inputLook, Mark, Modal, Pick, Refused, useDraft } from '../ui/parts';

const verdicts = [
    { slug: 'cured', words: 'Cured, and seen to be' },
    { slug: 'explained', words: 'Explained by the cause, not tried again' },
    { slug: 'not-found', words: 'Not found' },
    { slug: 'passed-on', words: 'Passed on to somebody else' },
] as const;

/** The verdict on one symptom; each that was told needs its own before the call closes. */
export function Settle({ detail, told }: { detail: Detail; told: { id: string; words: string } }) {
    const observe = useObserve(detail.call.id);
    const [open, setOpen] = useState(false);
    const [verdict, setVerdict] = useState<(typeof verdicts)[number]['slug'] | ''>('');
    const [text, setText] = useDraft(`${detail.call.id}.settle.${told.id}`);
    const settled = detail.observations.findLast((each) => each.kind === 'settled' && each.payload.observation === told.id);
    return (
        <div className="mt-1 flex flex-wrap items-center gap-x-3 text-sm">
            {settled ? (
                <span>
                    <Mark of={settled.payload.verdict === 'cured' || settled.payload.verdict === 'explained' ? 'good' : 'doubt'} word={verdicts.find((each) => each.slug === settled.payload.verdict)?.words} /> {clock(settled.at)}: {String(settled.payload.text)}
                </span>
            ) : (
                <span className="text-soft">No verdict yet</span>
            )}
            <Button look="quiet" onClick={() => setOpen(true)}>
                {settled ? 'Another verdict' : 'Give its verdict'}
            </Button>
            <Modal open={open} onClose={() => setOpen(false)} title="Verdict on this symptom">
                <form
                    className="space-y-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (verdict === '') {
                            return;
                        }
                        observe.mutate({ kind: 'settled', payload: { observation: told.id, verdict, text } }, {
                            onSuccess: () => {
                                setText('');
                                setOpen(false);
                            },
                        });
                    }}
                >
                    <p className="break-words">“{told.words}”</p>
                    <Pick label="What became of it" value={verdict} onChange={setVerdict} options={[...verdicts]} />
                    <label className="block font-bold">
                        How that is known
                        <input className={`${inputLook} mt-1 font-normal`} required maxLength={500} value={text} onChange={(event) => setText(event.target.value)} />
                    </label>
                    <Refused error={observe.error} />
                    <Button type="submit" disabled={verdict === '' || observe.isPending}>
                        Store the verdict
                    </Button>
                </form>
            </Modal>
        </div>
    );
}
