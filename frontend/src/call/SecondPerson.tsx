import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { api, got, type Detail } from '../api/client';
import { useMe, useObserve, usePending } from '../api/hooks';
import * as outbox from '../outbox/outbox';
import { Button, clock, inputLook, Modal, Pick, Refused } from '../ui/parts';
import { say } from '../words';

export function useColleagues(enabled = true) {
    return useQuery({ queryKey: ['colleagues'], queryFn: () => got(api.GET('/api/colleagues')), staleTime: 60_000, enabled });
}

/** For a trainee: who stands beside them at live steps, or how somebody confirms it on this device. */
export function SecondPerson({ detail }: { detail: Detail }) {
    const me = useMe();
    const [asking, setAsking] = useState(false);
    // What was refused for want of a second person is sent again once there is one.
    const waiting = usePending().filter((entry) => entry.callId === detail.call.id && entry.refused?.pointer === '/secondPerson');
    if (me.data?.role !== 'trainee' || detail.call.stage === 'closed') {
        return null;
    }
    const own = me.data.id;
    const beside = detail.beside.find((each) => each.trainee === own);
    return (
        <section aria-label="Second person" className={`no-print flex min-h-11 flex-wrap items-center gap-x-4 border-b border-line px-4 ${beside ? '' : 'text-doubt'}`}>
            <p>{beside ? `● ${say('beside.stands', { name: beside.electrician, until: clock(beside.until) })}` : `▲ ${say('beside.none')}`}</p>
            {waiting.length > 0 && <p role="status">{say('beside.waiting', { count: waiting.length })}</p>}
            <Button look="quiet" onClick={() => setAsking(true)}>
                {say('beside.ask')}
            </Button>
            {asking && <Confirm callId={detail.call.id} trainee={me.data.name} onClose={() => setAsking(false)} onConfirmed={() => waiting.forEach((entry) => outbox.again(entry.id))} />}
        </section>
    );
}

function Confirm({ callId, trainee, onClose, onConfirmed }: { callId: string; trainee: string; onClose: () => void; onConfirmed: () => void }) {
    const client = useQueryClient();
    const me = useMe();
    const colleagues = useColleagues();
    const [electrician, setElectrician] = useState('');
    const [secret, setSecret] = useState('');
    const [id] = useState(() => uuidv7());
    const confirm = useMutation({
        mutationFn: () => got(api.POST('/api/calls/{id}/second-person', { params: { path: { id: callId } }, body: { id, at: new Date().toISOString().replace(/\.\d+Z$/, 'Z'), electrician, secret } })),
        onSuccess: (detail) => {
            client.setQueryData(['call', callId], detail);
            onConfirmed();
            onClose();
        },
        onError: () => setSecret(''),
    });
    return (
        <Modal open onClose={onClose} title={say('beside.title')}>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    confirm.mutate();
                }}
            >
                <p className="text-soft">{say('beside.why')}</p>
                <Pick label={say('beside.who')} value={electrician} onChange={setElectrician} options={(colleagues.data ?? []).filter((each) => each.mayAccompany && each.id !== me.data?.id).map((each) => ({ slug: each.id, words: each.name }))} />
                <label className="block font-bold">
                    {say('beside.secret')}
                    <input className={`${inputLook} mt-1 max-w-sm font-normal`} type="password" autoComplete="off" required maxLength={200} value={secret} onChange={(event) => setSecret(event.target.value)} />
                </label>
                <Refused error={confirm.error} />
                <Button type="submit" look="next" disabled={confirm.isPending || electrician === '' || secret === ''}>
                    {say('beside.confirm', { name: trainee })}
                </Button>
            </form>
        </Modal>
    );
}

/** For an electrician on their own device: the same, as an entry of theirs. */
export function StandBeside({ callId, onClose }: { callId: string; onClose: () => void }) {
    const colleagues = useColleagues();
    const trainees = (colleagues.data ?? []).filter((each) => each.role === 'trainee');
    const [trainee, setTrainee] = useState('');
    const observe = useObserve(callId);
    const chosen = trainees.find((each) => each.id === trainee) ?? (trainees.length === 1 ? trainees[0] : undefined);
    return (
        <Modal open onClose={onClose} title={say('beside.open')}>
            <div className="space-y-3">
                {colleagues.data && trainees.length === 0 ? <p>{say('beside.nobody')}</p> : <Pick label={say('beside.trainee')} value={chosen?.id ?? ''} onChange={setTrainee} options={trainees.map((each) => ({ slug: each.id, words: each.name }))} />}
                <Refused error={colleagues.error ?? observe.error} />
                {chosen && (
                    <Button look="next" disabled={observe.isPending} onClick={() => observe.mutate({ kind: 'accompanied', payload: { trainee: chosen.id } }, { onSuccess: onClose })}>
                        {say('beside.confirm', { name: chosen.name })}
                    </Button>
                )}
            </div>
        </Modal>
    );
}
