import { Field, Input, Label } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { api, got } from '../api/client';
import { Button, inputLook, Refused } from '../ui/parts';
import { Logo } from '../ui/Logo';

export function Login() {
    const client = useQueryClient();
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    const [error, setError] = useState<unknown>(null);
    const [busy, setBusy] = useState(false);
    const submit = async (event: FormEvent) => {
        event.preventDefault();
        setBusy(true);
        setError(null);
        try {
            await got(api.POST('/api/login', { body: { email, password } }));
            await client.invalidateQueries();
        } catch (refusal) {
            setError(refusal);
        } finally {
            setBusy(false);
        }
    };
    return (
        <main className="mx-auto max-w-sm px-4 pt-16">
            <h1 className="mb-1 flex items-center gap-3 text-3xl font-bold">
                <Logo /> Yellow Probe
            </h1>
            <p className="mb-8 text-soft">Find the fault. Prove the repair.</p>
            <form className="space-y-4" onSubmit={(event) => void submit(event)}>
                <Field>
                    <Label className="mb-1 block font-bold">E-mail</Label>
                    <Input className={inputLook} type="email" autoComplete="username" required value={email} onChange={(event) => setEmail(event.target.value)} />
                </Field>
                <Field>
                    <Label className="mb-1 block font-bold">Password</Label>
                    <Input className={inputLook} type="password" autoComplete="current-password" required value={password} onChange={(event) => setPassword(event.target.value)} />
                </Field>
                <Refused error={error} />
                <Button type="submit" look="next" disabled={busy} className="w-full text-center">
                    {busy ? 'Logging in …' : 'Log in'}
                </Button>
            </form>
            <p className="mt-8 text-sm text-soft">For competent, authorised persons. Local rules and the licensed practice decide; a computed reading never proves that anything is dead.</p>
        </main>
    );
}
