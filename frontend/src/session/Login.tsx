import { Field, Input, Label } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { api, got } from '../api/client';
import { Button, inputLook, Refused } from '../ui/parts';
import { Logo } from '../ui/Logo';
import { say } from '../words';

export function Login() {
    const client = useQueryClient();
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    const [error, setError] = useState<unknown>(null);
    const [busy, setBusy] = useState(false);
    const [forgotten, setForgotten] = useState(false);
    const [asked, setAsked] = useState('');
    const submit = async (event: FormEvent) => {
        event.preventDefault();
        setBusy(true);
        setError(null);
        try {
            if (forgotten) {
                await got(api.POST('/api/password-links', { body: { email } }).then((answer) => ({ ...answer, data: answer.response.ok ? true : undefined })));
                setAsked(email);
                return;
            }
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
                {!forgotten && (
                    <Field>
                        <Label className="mb-1 block font-bold">Password</Label>
                        <Input className={inputLook} type="password" autoComplete="current-password" required value={password} onChange={(event) => setPassword(event.target.value)} />
                    </Field>
                )}
                {forgotten && <p className="text-soft">{say('login.asking')}</p>}
                {asked !== '' && (
                    <p role="status" className="border-l-4 border-good pl-3 break-words">
                        ● {say('login.asked', { email: asked })}
                    </p>
                )}
                <Refused error={error} />
                <Button type="submit" look="next" disabled={busy} className="w-full text-center">
                    {forgotten ? say('login.ask') : busy ? 'Logging in …' : 'Log in'}
                </Button>
                <Button
                    look="quiet"
                    onClick={() => {
                        setForgotten(!forgotten);
                        setAsked('');
                        setError(null);
                    }}
                >
                    {forgotten ? say('login.back') : say('login.forgotten')}
                </Button>
            </form>
            <p className="mt-8 text-sm text-soft">For competent, authorised persons. Local rules and the licensed practice decide; a computed reading never proves that anything is dead.</p>
        </main>
    );
}
