import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, Navigate, Route, Routes, useNavigate } from 'react-router';
import { Refusal, type Schemas } from './api/client';
import { useMe, useStored } from './api/hooks';
import { CallList } from './calls/CallList';
import { Firm } from './session/Firm';
import { Login } from './session/Login';
import { Button, Refused, Waiting } from './ui/parts';
import { Logo } from './ui/Logo';
import { Shortcuts } from './ui/Shortcuts';
import { Boundary } from './ui/Boundary';
import { Unsent } from './outbox/Unsent';
import { keep } from './ui/storage';
import { say } from './words';

const CallPage = lazy(() => import('./call/CallPage'));
const SumsPage = lazy(() => import('./sums/SumsPage'));

export function App() {
    const me = useMe();
    useMode();
    useStored();
    if (me.isPending) {
        return <div className="p-6"><Waiting what="Looking who is here" /></div>;
    }
    if (me.error instanceof Refusal && me.error.status === 401) {
        return <Login />;
    }
    if (!me.data) {
        return (
            <div className="mx-auto max-w-lg space-y-3 p-6">
                <Refused error={me.error} />
                <Button onClick={() => void me.refetch()}>Try again</Button>
            </div>
        );
    }
    return (
        <>
            <Bar me={me.data} />
            <Boundary>
                <Suspense fallback={<div className="p-6"><Waiting what="Fetching the page" /></div>}>
                    <Routes>
                        <Route path="/" element={<CallList />} />
                        <Route path="/calls/:id" element={<Navigate to="hear" replace />} />
                        <Route path="/calls/:id/:stage" element={<CallPage />} />
                        <Route path="/sums" element={<SumsPage />} />
                        <Route path="/sums/:slug" element={<SumsPage />} />
                        <Route path="*" element={<p className="p-6">There is no such page. <Link className="underline" to="/">Go to the calls.</Link></p>} />
                    </Routes>
                </Suspense>
            </Boundary>
        </>
    );
}

function Bar({ me }: { me: Schemas['Me'] }) {
    const { name, firm } = me;
    const [settling, setSettling] = useState(false);
    const client = useQueryClient();
    const navigate = useNavigate();
    const [mode, setMode] = useMode();
    const leave = async () => {
        await fetch('/api/logout', { method: 'POST' });
        client.clear();
        void navigate('/');
        await client.invalidateQueries();
    };
    return (
        <header className="no-print flex min-h-12 items-center gap-4 border-b border-ink bg-sheet px-4">
            <Link to="/" className="flex min-h-11 items-center gap-2 font-bold" aria-label="Yellow Probe, all calls">
                <Logo />
                <span className="max-sm:hidden">Yellow Probe</span>
            </Link>
            <Unsent />
            <div className="grow" />
            <Link to="/sums" className="inline-flex min-h-11 items-center px-2 underline underline-offset-4">
                Sums
            </Link>
            <Shortcuts />
            <Menu>
                <MenuButton className="min-h-11 px-2">{name} ▾</MenuButton>
                <MenuItems anchor="bottom end" className="z-30 border border-ink bg-sheet text-ink shadow-lg">
                    <p className="border-b border-line px-4 py-2 text-soft">{firm}</p>
                    <MenuItem>
                        <button type="button" className="block min-h-11 w-full px-4 text-left data-focus:bg-ink data-focus:text-paper" onClick={() => setMode(mode === 'cupboard' ? 'paper' : 'cupboard')}>
                            {mode === 'cupboard' ? 'Paper, for daylight' : 'Cupboard, for the dark'}
                        </button>
                    </MenuItem>
                    <MenuItem>
                        <button type="button" className="block min-h-11 w-full px-4 text-left data-focus:bg-ink data-focus:text-paper" onClick={() => setSettling(true)}>
                            {say('firm.open')}
                        </button>
                    </MenuItem>
                    <MenuItem>
                        <button type="button" className="block min-h-11 w-full px-4 text-left data-focus:bg-ink data-focus:text-paper" onClick={() => void leave()}>
                            Log out
                        </button>
                    </MenuItem>
                </MenuItems>
            </Menu>
            {settling && <Firm me={me} onClose={() => setSettling(false)} />}
        </header>
    );
}

type Mode = 'paper' | 'cupboard';

function useMode(): [Mode, (mode: Mode) => void] {
    const [mode, setMode] = useState<Mode>(() => (localStorage.getItem('yellow-probe.mode') as Mode | null) ?? (matchMedia('(prefers-color-scheme: dark)').matches ? 'cupboard' : 'paper'));
    useEffect(() => {
        document.documentElement.dataset.mode = mode;
    }, [mode]);
    return [
        mode,
        (next) => {
            keep('yellow-probe.mode', next);
            setMode(next);
        },
    ];
}
