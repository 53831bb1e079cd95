import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, got, type Schemas } from '../api/client';
import { useMe } from '../api/hooks';
import { Button, clock, day, inputLook, Refused, Waiting } from '../ui/parts';
import { say } from '../words';

/** One's own login: password, PIN, and where one is logged in. */
export default function Own() {
    const me = useMe();
    if (!me.data) {
        return null;
    }
    return (
        <main className="mx-auto max-w-2xl space-y-10 px-4 py-6">
            <div>
                <h1 className="text-2xl font-bold">{say('own.title')}</h1>
                <p className="break-words text-soft">
                    {me.data.name}, {me.data.email}: {say(`role.${me.data.role}`)} at {me.data.firm}
                </p>
            </div>
            <Logins />
            <Password />
            {me.data.may.includes('accompany') && <Pin hasPin={me.data.hasPin} />}
        </main>
    );
}

function useSettled() {
    const client = useQueryClient();
    return (settled: Schemas['Me']) => {
        client.setQueryData(['me'], settled);
        void client.invalidateQueries({ queryKey: ['logins'] });
    };
}

function Secret({ label, value, onChange, autoComplete, minLength }: { label: string; value: string; onChange: (value: string) => void; autoComplete: string; minLength?: number }) {
    return (
        <label className="block font-bold">
            {label}
            <input className={`${inputLook} mt-1 max-w-sm font-normal`} type="password" autoComplete={autoComplete} required minLength={minLength} maxLength={200} value={value} onChange={(event) => onChange(event.target.value)} />
        </label>
    );
}

function Password() {
    const settled = useSettled();
    const [current, setCurrent] = useState('');
    const [password, setPassword] = useState('');
    const change = useMutation({
        mutationFn: () => got(api.PUT('/api/me/password', { body: { current, password } })),
        onSuccess: (me) => {
            settled(me);
            setCurrent('');
            setPassword('');
        },
    });
    return (
        <form
            className="space-y-3"
            onSubmit={(event) => {
                event.preventDefault();
                change.mutate();
            }}
        >
            <h2 className="text-lg font-bold">{say('own.change')}</h2>
            <Secret label={say('own.current')} value={current} onChange={setCurrent} autoComplete="current-password" />
            <Secret label={say('password.new')} value={password} onChange={setPassword} autoComplete="new-password" minLength={10} />
            <p className="text-sm text-soft">{say('password.hint')}</p>
            <Refused error={change.error} />
            {change.isSuccess && <p role="status">● {say('own.changed')}</p>}
            <Button type="submit" disabled={change.isPending}>
                {say('own.change')}
            </Button>
        </form>
    );
}

function Pin({ hasPin }: { hasPin: boolean }) {
    const settled = useSettled();
    const [current, setCurrent] = useState('');
    const [pin, setPin] = useState('');
    const change = useMutation({
        mutationFn: (next: string | null) => got(api.PUT('/api/me/pin', { body: { current, ...(next === null ? {} : { pin: next }) } })),
        onSuccess: (me) => {
            settled(me);
            setCurrent('');
            setPin('');
        },
    });
    return (
        <form
            className="space-y-3"
            onSubmit={(event) => {
                event.preventDefault();
                change.mutate(pin);
            }}
        >
            <h2 className="text-lg font-bold">{say('own.pin')}</h2>
            <p className="text-soft">
                {say('own.pin-why')} {say(hasPin ? 'own.pin-has' : 'own.pin-none')}
            </p>
            <Secret label={say('own.current')} value={current} onChange={setCurrent} autoComplete="current-password" />
            <label className="block font-bold">
                {say('own.pin-new')}
                <input className={`${inputLook} mt-1 max-w-40 font-mono font-normal`} type="password" inputMode="numeric" pattern="[0-9]{4,8}" autoComplete="off" maxLength={8} value={pin} onChange={(event) => setPin(event.target.value)} />
            </label>
            <Refused error={change.error} />
            {change.isSuccess && <p role="status">● {say('own.pin-changed')}</p>}
            <div className="flex flex-wrap gap-3">
                <Button type="submit" disabled={change.isPending || pin === '' || current === ''}>
                    {say('own.pin-set')}
                </Button>
                {hasPin && (
                    <Button look="quiet" disabled={change.isPending || current === ''} onClick={() => change.mutate(null)}>
                        {say('own.pin-off')}
                    </Button>
                )}
            </div>
        </form>
    );
}

function Logins() {
    const client = useQueryClient();
    const logins = useQuery({ queryKey: ['logins'], queryFn: () => got(api.GET('/api/me/logins')) });
    const end = useMutation({
        mutationFn: (id: string | null) => (id === null ? api.DELETE('/api/me/logins') : api.DELETE('/api/me/logins/{id}', { params: { path: { id } } })),
        onSettled: () => client.invalidateQueries({ queryKey: ['logins'] }),
    });
    const others = logins.data?.filter((login) => !login.isThis) ?? [];
    return (
        <section aria-label={say('own.logins')}>
            <h2 className="mb-2 text-lg font-bold">{say('own.logins')}</h2>
            <Refused error={logins.error ?? end.error} />
            {logins.isPending && <Waiting what="Fetching where you are logged in" />}
            <ul className="divide-y divide-line border-y border-line empty:hidden">
                {logins.data?.map((login) => (
                    <li key={login.id} className="flex flex-wrap items-center gap-x-4 py-2">
                        <div className="min-w-0 flex-1">
                            <p className="break-words">
                                {browser(login.device)} {login.isThis && <strong>({say('own.this')})</strong>}
                            </p>
                            <p className="text-sm text-soft">
                                {login.address}, {say('own.seen', { at: `${day(login.seenAt)}, ${clock(login.seenAt)}` })}
                            </p>
                        </div>
                        {!login.isThis && (
                            <Button look="quiet" disabled={end.isPending} onClick={() => end.mutate(login.id)}>
                                {say('own.end')}
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {logins.data && (others.length > 0 ? <Button className="mt-3" disabled={end.isPending} onClick={() => end.mutate(null)}>{say('own.end-all')}</Button> : <p className="mt-2 text-soft">{say('own.only')}</p>)}
        </section>
    );
}

/** The words in brackets tell a person what their device is; the rest is for servers. */
function browser(device: string): string {
    return /\(([^)]+)\)/.exec(device)?.[1] ?? (device === '' ? 'A device that does not say what it is' : device);
}
