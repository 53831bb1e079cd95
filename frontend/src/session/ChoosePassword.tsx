import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, got } from '../api/client';
import { Logo } from '../ui/Logo';
import { Button, inputLook, Refused, Waiting } from '../ui/parts';
import { say } from '../words';

/** Where the link of an invitation or a reset leads. The token stands in the fragment, which goes to no server by itself. */
export function ChoosePassword() {
    const [token] = useState(() => location.hash.slice(1));
    const [password, setPassword] = useState('');
    const link = useQuery({ queryKey: ['password-link', token], queryFn: () => got(api.POST('/api/password-links/look', { body: { token } })), enabled: token !== '', retry: false, staleTime: Infinity });
    const choose = useMutation({ mutationFn: () => got(api.POST('/api/password-links/use', { body: { token, password } }).then((answer) => ({ ...answer, data: answer.response.ok ? true : undefined }))) });
    return (
        <main className="mx-auto max-w-sm px-4 pt-16">
            <h1 className="mb-6 flex items-center gap-3 text-2xl font-bold">
                <Logo /> {say('password.title')}
            </h1>
            {token === '' && <p>{say('password.none')}</p>}
            {token !== '' && link.isPending && <Waiting what="Looking at the link" />}
            <Refused error={link.error} />
            {choose.isSuccess ? (
                <p role="status" className="border-l-4 border-good pl-3">
                    ● {say('password.chosen')}
                </p>
            ) : (
                link.data && (
                    <form
                        className="space-y-4"
                        onSubmit={(event) => {
                            event.preventDefault();
                            choose.mutate();
                        }}
                    >
                        <p className="break-words">{say('password.for', { ...link.data })}</p>
                        <input type="email" autoComplete="username" readOnly hidden value={link.data.email} />
                        <label className="block font-bold">
                            {say('password.new')}
                            <input className={`${inputLook} mt-1 font-normal`} type="password" autoComplete="new-password" required minLength={10} maxLength={200} value={password} onChange={(event) => setPassword(event.target.value)} />
                            <span className="text-sm font-normal text-soft">{say('password.hint')}</span>
                        </label>
                        <Refused error={choose.error} />
                        <Button type="submit" look="next" disabled={choose.isPending} className="w-full text-center">
                            {say('password.choose')}
                        </Button>
                    </form>
                )
            )}
            <p className="mt-6">
                <Link className="underline underline-offset-4" to="/" replace>
                    {say('login.back')}
                </Link>
            </p>
        </main>
    );
}
