import { Field, Input, Label, Textarea } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { api, got } from '../api/client';
import { Button, inputLook, Modal, Pick, Refused, useDraft } from '../ui/parts';
import { HousePick } from './HousePick';

const visits = [
    { slug: 'fault', words: 'Fault' },
    { slug: 'inspection', words: 'Inspection' },
    { slug: 'call-back', words: 'Call-back' },
    { slug: 'survey', words: 'Survey' },
] as const;

export function NewCall({ onClose }: { onClose: () => void }) {
    const navigate = useNavigate();
    const client = useQueryClient();
    const [id] = useState(() => uuidv7());
    const [house, setHouse] = useState('');
    const [visit, setVisit] = useState<(typeof visits)[number]['slug']>('fault');
    const [address, setAddress] = useDraft('new-address');
    const [customer, setCustomer] = useDraft('new-customer');
    const [complaint, setComplaint] = useDraft('new-complaint');
    const [error, setError] = useState<unknown>(null);
    const submit = async (event: FormEvent) => {
        event.preventDefault();
        setError(null);
        try {
            const call = await got(
                api.POST('/api/calls', { body: { id, address, customer, complaint, visit, openedAt: new Date().toISOString().replace(/\.\d+Z$/, 'Z'), ...(house === '' ? {} : { houseId: house }) } }),
            );
            setAddress('');
            setCustomer('');
            setComplaint('');
            await client.invalidateQueries({ queryKey: ['calls'] });
            void navigate(`/calls/${call.call.id}/hear`);
        } catch (refusal) {
            setError(refusal);
        }
    };
    const choose = (id: string, known: string) => {
        setHouse(id);
        if (id !== '') {
            setAddress(known);
        }
    };
    return (
        <Modal open onClose={onClose} title="Open a call">
            <form className="space-y-4" onSubmit={(event) => void submit(event)}>
                <HousePick value={house} onChange={choose} />
                <Field>
                    <Label className="mb-1 block font-bold">Address</Label>
                    <Input className={inputLook} required maxLength={200} value={address} onChange={(event) => setAddress(event.target.value)} />
                </Field>
                <Field>
                    <Label className="mb-1 block font-bold">Customer</Label>
                    <Input className={inputLook} required maxLength={200} value={customer} onChange={(event) => setCustomer(event.target.value)} />
                </Field>
                <Field>
                    <Label className="mb-1 block font-bold">Complaint, in the customer’s words</Label>
                    <Textarea className={inputLook} required rows={3} maxLength={4000} value={complaint} onChange={(event) => setComplaint(event.target.value)} />
                </Field>
                <Pick label="Visit" value={visit} onChange={(chosen) => setVisit(chosen === '' ? 'fault' : chosen)} options={[...visits]} />
                <Refused error={error} />
                <div className="flex gap-3">
                    <Button type="submit" look="next">
                        Open
                    </Button>
                    <Button look="quiet" onClick={onClose}>
                        Not now
                    </Button>
                </div>
            </form>
        </Modal>
    );
}
