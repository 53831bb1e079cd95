import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { api, got, type Schemas } from '../api/client';
import { useMe } from '../api/hooks';
import { Button, clock, day, inputLook, Modal, Refused, Waiting } from '../ui/parts';
import { say } from '../words';
import { Mails } from './Mails';
import { SecurityLog } from './SecurityLog';

type Person = Schemas['PersonView'];
type Role = Schemas['Role'];

const roles: Role[] = ['owner', 'electrician', 'trainee', 'office', 'reader'];

/** The people of the firm, by its owner: who they are, what each may do, who has been here and what was refused. */
export default function People() {
    const me = useMe();
    const people = useQuery({ queryKey: ['people'], queryFn: () => got(api.GET('/api/people')) });
    const [inviting, setInviting] = useState(false);
    const [changing, setChanging] = useState<Person | null>(null);
    const [told, setTold] = useState('');
    return (
        <main className="mx-auto max-w-4xl space-y-10 px-4 py-6">
            <section aria-label={say('people.title')}>
                <div className="mb-4 flex items-center justify-between gap-3">
                    <h1 className="text-2xl font-bold">{say('people.title')}</h1>
                    <Button look="next" onClick={() => setInviting(true)}>
                        {say('people.invite')}
                    </Button>
                </div>
                <Refused error={people.error} />
                {told !== '' && (
                    <p role="status" className="mb-3 border-l-4 border-good pl-3 break-words">
                        ● {told}
                    </p>
                )}
                {people.isPending && <Waiting what="Fetching the people" />}
                <ul className="divide-y divide-line border-y border-line empty:hidden">
                    {people.data?.map((person) => (
                        <li key={person.id} className="grid items-center gap-x-6 py-3 sm:grid-cols-[1fr_12rem_8rem]">
                            <div className="min-w-0">
                                <p className="font-bold break-words">{person.name}</p>
                                <p className="break-words text-soft">{person.email}</p>
                            </div>
                            <div>
                                <p>{say(`role.${person.role}`)}</p>
                                <p className="text-sm text-soft">{person.standing === 'active' ? (person.seenAt === null ? say('people.never') : say('people.seen', { at: `${day(person.seenAt)}, ${clock(person.seenAt)}` })) : say(`standing.${person.standing}`)}</p>
                            </div>
                            <Button look="quiet" aria-label={say('people.change', { name: person.name })} onClick={() => setChanging(person)}>
                                Change
                            </Button>
                        </li>
                    ))}
                </ul>
            </section>
            {me.data?.demonstration === true && <Mails />}
            <SecurityLog />
            {inviting && <Invite onClose={() => setInviting(false)} onDone={setTold} />}
            {changing && <Change person={changing} onClose={() => setChanging(null)} onDone={setTold} />}
        </main>
    );
}

function RolePick({ value, onChange }: { value: Role; onChange: (role: Role) => void }) {
    return (
        <fieldset>
            <legend className="font-bold">{say('people.role')}</legend>
            {roles.map((role) => (
                <label key={role} className="flex min-h-11 items-start gap-3 py-1">
                    <input type="radio" name="role" className="mt-1 size-5 shrink-0 accent-(--ink)" checked={value === role} onChange={() => onChange(role)} />
                    <span>
                        {say(`role.${role}`)}
                        <span className="block text-sm text-soft">{say(`role.${role}-may`)}</span>
                    </span>
                </label>
            ))}
        </fieldset>
    );
}

function useChanged(): () => void {
    const client = useQueryClient();
    return () => {
        for (const key of ['people', 'security-events', 'mails', 'colleagues']) {
            void client.invalidateQueries({ queryKey: [key] });
        }
    };
}

function Invite({ onClose, onDone }: { onClose: () => void; onDone: (words: string) => void }) {
    const changed = useChanged();
    const [id] = useState(() => uuidv7());
    const [email, setEmail] = useState('');
    const [name, setName] = useState('');
    const [role, setRole] = useState<Role>('electrician');
    const invite = useMutation({
        mutationFn: () => got(api.POST('/api/people', { body: { id, email, name, role } })),
        onSuccess: () => {
            changed();
            onDone(say('people.invited', { email }));
            onClose();
        },
    });
    return (
        <Modal open onClose={onClose} title={say('people.invite')}>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    invite.mutate();
                }}
            >
                <label className="block font-bold">
                    E-mail
                    <input className={`${inputLook} mt-1 font-normal`} type="email" required maxLength={180} value={email} onChange={(event) => setEmail(event.target.value)} />
                </label>
                <label className="block font-bold">
                    {say('people.name')}
                    <input className={`${inputLook} mt-1 font-normal`} required maxLength={200} value={name} onChange={(event) => setName(event.target.value)} />
                </label>
                <RolePick value={role} onChange={setRole} />
                <Refused error={invite.error} />
                <Button type="submit" look="next" disabled={invite.isPending}>
                    {say('people.send')}
                </Button>
            </form>
        </Modal>
    );
}

function Change({ person, onClose, onDone }: { person: Person; onClose: () => void; onDone: (words: string) => void }) {
    const changed = useChanged();
    const me = useMe();
    const client = useQueryClient();
    const [role, setRole] = useState(person.role);
    const [sure, setSure] = useState(false);
    const path = { params: { path: { id: person.id } } };
    const act = useMutation({
        mutationFn: async ({ run }: { run: () => Promise<unknown>; words: string }) => run(),
        onSuccess: (_, { words }) => {
            changed();
            if (person.id === me.data?.id) {
                void client.invalidateQueries({ queryKey: ['me'] });
            }
            onDone(words);
            onClose();
        },
    });
    const empty = (call: Promise<{ response: Response; error?: unknown }>) => got(call.then((answer) => ({ ...answer, data: answer.response.ok ? true : undefined })));
    return (
        <Modal open onClose={onClose} title={person.name}>
            <div className="space-y-4">
                <RolePick value={role} onChange={setRole} />
                <Refused error={act.error} />
                <Button disabled={act.isPending || role === person.role} onClick={() => act.mutate({ run: () => got(api.PATCH('/api/people/{id}', { ...path, body: { role } })), words: `${person.name}: ${say(`role.${role}`)}` })}>
                    {say('people.store')}
                </Button>
                <div className="flex flex-wrap gap-x-4 gap-y-2 border-t border-line pt-3">
                    {person.standing === 'invited' && (
                        <Button look="quiet" disabled={act.isPending} onClick={() => act.mutate({ run: () => empty(api.POST('/api/people/{id}/invitations', path)), words: say('people.sent') })}>
                            {say('people.again')}
                        </Button>
                    )}
                    {person.standing === 'active' && (
                        <Button look="quiet" disabled={act.isPending} onClick={() => act.mutate({ run: () => empty(api.DELETE('/api/people/{id}/logins', path)), words: say('people.signed-out', { name: person.name }) })}>
                            {say('people.sign-out')}
                        </Button>
                    )}
                    {person.standing === 'deactivated' ? (
                        <Button look="quiet" disabled={act.isPending} onClick={() => act.mutate({ run: () => got(api.PATCH('/api/people/{id}', { ...path, body: { active: true } })), words: `${person.name}: ${say('log.reactivated')}` })}>
                            {say('people.activate')}
                        </Button>
                    ) : sure ? (
                        <div className="space-y-2">
                            <p>{say('people.deactivate-sure', { name: person.name })}</p>
                            <Button look="danger" disabled={act.isPending} onClick={() => act.mutate({ run: () => got(api.PATCH('/api/people/{id}', { ...path, body: { active: false } })), words: `${person.name}: ${say('standing.deactivated')}` })}>
                                {say('people.deactivate')}
                            </Button>
                        </div>
                    ) : (
                        <Button look="quiet" onClick={() => setSure(true)}>
                            {say('people.deactivate')} …
                        </Button>
                    )}
                </div>
            </div>
        </Modal>
    );
}
