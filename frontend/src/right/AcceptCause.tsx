import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, inputLook, Modal, Pick, Refused, useDraft } from '../ui/parts';

const knowings = [
    { slug: 'measured', words: 'Measured' },
    { slug: 'seen', words: 'Seen' },
    { slug: 'inferred', words: 'Inferred' },
    { slug: 'assumed', words: 'Assumed: it stays “probable”' },
] as const;

type Knowing = (typeof knowings)[number]['slug'];

export function AcceptCause({ suspect, callId, onClose }: { suspect: Schemas['SuspectView']; callId: string; onClose: () => void }) {
    const observe = useObserve(callId);
    const navigate = useNavigate();
    const [hypothesis, setHypothesis] = useState(suspect.id);
    const [knowing, setKnowing] = useState<Knowing | ''>('');
    const [how, setHow] = useDraft(`${callId}.how`);
    // A hypothesis for each place in words: the two lists run alike.
    const places = suspect.where.map((words, at) => ({ slug: suspect.hypotheses[at] ?? suspect.id, words }));
    return (
        <Modal open onClose={onClose} title={`Accept: ${suspect.title}`}>
            <form
                className="space-y-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (knowing === '') {
                        return;
                    }
                    observe.mutate({ kind: 'accepted', payload: { hypothesis, knowing, ...(how.trim() === '' ? {} : { how }) } }, {
                        onSuccess: () => {
                            setHow('');
                            void navigate(`/calls/${callId}/put-right`);
                        },
                    });
                }}
            >
                <p>
                    {suspect.shown} after the readings so far.
                    {suspect.probability < 0.9 && <strong> ▲ Other causes still fit. Another test may be worth more than opening the wrong place.</strong>}
                </p>
                {places.length > 1 ? <Pick label="Where" value={hypothesis} onChange={setHypothesis} options={places} /> : <p className="break-words">{suspect.where[0]}</p>}
                <Pick label="How it is known" value={knowing} onChange={setKnowing} options={[...knowings]} />
                <label className="block font-bold">
                    How it came about
                    <textarea className={`${inputLook} mt-1 font-normal`} rows={2} maxLength={500} value={how} onChange={(event) => setHow(event.target.value)} />
                </label>
                <Refused error={observe.error} />
                <Button type="submit" look="next" disabled={knowing === '' || observe.isPending}>
                    Accept this cause
                </Button>
            </form>
        </Modal>
    );
}
