import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useObserve, usePicks } from '../api/hooks';
import { Button, inputLook, Modal, Refused } from '../ui/parts';

type Contact = Schemas['Contact'];
type AtRisk = NonNullable<Schemas['People']['occupants']>[number];

const roles = [
    { slug: 'occupier', words: 'Occupier' },
    { slug: 'owner', words: 'Owner' },
    { slug: 'payer', words: 'Payer' },
    { slug: 'other', words: 'Other' },
] as const;

/** The people of the house as last written down: who suffers when the power goes, and whom to ask. */
export function people(detail: Detail): { occupants: AtRisk[]; contacts: Contact[] } {
    const last = detail.observations.findLast((each) => each.kind === 'people')?.payload;
    return { occupants: (last?.occupants ?? []) as AtRisk[], contacts: (last?.contacts ?? []) as Contact[] };
}

export function People({ detail }: { detail: Detail }) {
    const picks = usePicks();
    const [open, setOpen] = useState(false);
    const { occupants, contacts } = people(detail);
    return (
        <section>
            <div className="flex items-center justify-between border-b border-ink">
                <h2 className="font-bold">The people here</h2>
                <Button look="quiet" onClick={() => setOpen(true)}>
                    Change
                </Button>
            </div>
            {occupants.length + contacts.length === 0 && <p className="pt-1 text-soft">Not asked yet: children, medical equipment, a freezer? Who may agree to work?</p>}
            <ul className="pt-1">
                {occupants.map((slug) => (
                    <li key={slug}>▲ {picks.data?.atRisk.find((each) => each.slug === slug)?.words ?? slug}</li>
                ))}
                {contacts.map((contact) => (
                    <li key={contact.role + contact.name} className="break-words">
                        <span className="text-soft">{roles.find((each) => each.slug === contact.role)?.words}:</span> {contact.name} {contact.how}
                    </li>
                ))}
            </ul>
            {open && <Change detail={detail} onClose={() => setOpen(false)} />}
        </section>
    );
}

function Change({ detail, onClose }: { detail: Detail; onClose: () => void }) {
    const picks = usePicks();
    const observe = useObserve(detail.call.id);
    const before = people(detail);
    const [occupants, setOccupants] = useState(before.occupants);
    const [contacts, setContacts] = useState<Contact[]>([...before.contacts, { role: 'occupier', name: '', how: '' }]);
    const edit = (at: number, change: Partial<Contact>) => setContacts(contacts.map((each, index) => (index === at ? { ...each, ...change } : each)));
    return (
        <Modal open onClose={onClose} title="The people here">
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    observe.mutate({ kind: 'people', payload: { occupants, contacts: contacts.filter((each) => each.name.trim() !== '').map(({ how = '', ...rest }) => ({ ...rest, ...(how.trim() === '' ? {} : { how }) })) } }, { onSuccess: onClose });
                }}
            >
                <fieldset>
                    <legend className="font-bold">Who or what suffers when the power goes</legend>
                    {(picks.data?.atRisk ?? []).map((each) => (
                        <label key={each.slug} className="flex min-h-11 items-center gap-2">
                            <input type="checkbox" className="size-5 accent-(--ink)" checked={occupants.includes(each.slug as AtRisk)} onChange={() => setOccupants(occupants.includes(each.slug as AtRisk) ? occupants.filter((other) => other !== each.slug) : [...occupants, each.slug as AtRisk])} />
                            {each.words}
                        </label>
                    ))}
                </fieldset>
                {contacts.map((contact, at) => (
                    <div key={at} className="grid grid-cols-[7rem_1fr_1fr] gap-2">
                        <select aria-label={`Role of contact ${at + 1}`} className={inputLook} value={contact.role} onChange={(event) => edit(at, { role: event.target.value as Contact['role'] })}>
                            {roles.map((role) => (
                                <option key={role.slug} value={role.slug}>
                                    {role.words}
                                </option>
                            ))}
                        </select>
                        <input aria-label={`Name of contact ${at + 1}`} className={inputLook} placeholder="Name" maxLength={200} value={contact.name} onChange={(event) => edit(at, { name: event.target.value })} />
                        <input aria-label={`How to reach contact ${at + 1}`} className={inputLook} placeholder="Telephone, mail" maxLength={200} value={contact.how ?? ''} onChange={(event) => edit(at, { how: event.target.value })} />
                    </div>
                ))}
                <Button look="quiet" onClick={() => setContacts([...contacts, { role: 'payer', name: '', how: '' }])}>
                    One contact more
                </Button>
                <Refused error={observe.error} />
                <Button type="submit" disabled={observe.isPending}>
                    Store
                </Button>
            </form>
        </Modal>
    );
}
