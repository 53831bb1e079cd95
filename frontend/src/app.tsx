import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, Navigate, Route, Routes, useLocation } from 'react-router';
import { Refusal, type Schemas } from './api/client';
import { useMe, usePending, useStored } from './api/hooks';
import { StandBeside } from './call/SecondPerson';
import { CallList } from './calls/CallList';
import { ChoosePassword } from './session/ChoosePassword';
import { Notices } from './session/Notices';
import { Firm } from './session/Firm';
import { leave } from './session/leave';
import { Login } from './session/Login';
import { useMay } from './session/may';
import { Button, Modal, Refused, Waiting } from './ui/parts';
import { Logo } from './ui/Logo';
import { Shortcuts } from './ui/Shortcuts';
import { Boundary } from './ui/Boundary';
import { Unsent } from './outbox/Unsent';
import { keep } from './ui/storage';
import { say } from './words';

const CallBar = lazy(() => import('./call/CallBar'));
const CallPage = lazy(() => import('./call/CallPage'));
const Own = lazy(() => import('./session/Own'));
const People = lazy(() => import('./people/People'));
const SumsPage = lazy(() => import('./sums/SumsPage'));

export function App() {
    const me = useMe();
    useMode();
    useStored();
    const { pathname } = useLocation();
    if (pathname === '/password') {
        return (
            <>
                <Notices />
                <ChoosePassword />
            </>
        );
    }
    if (me.isPending) {
        return <div className="p-6"><Waiting what="Looking who is here" /></div>;
    }
    if (me.error instanceof Refusal && me.error.status === 401) {
        return (
            <>
                <Notices />
                <Login />
            </>
        );
    }
    if (!me.data) {
        return (
            <div className="mx-auto max-w-lg space-y-3 p-6">
                <Refused error={me.error} />
                <Button onClick={() => void me.refetch()}>Try again</Button>
            </div>
        );
    }
    // Trace keeps its regions in place: what is long scrolls in itself, the page does not.
    const isTrace = /^\/calls\/[^/]+\/trace$/.test(pathname);
    return (
        <div className={isTrace ? 'flex h-dvh flex-col overflow-hidden tiny:h-auto tiny:overflow-visible' : undefined}>
            <Notices />
            <Bar me={me.data} />
            <Boundary>
                <Suspense fallback={<div className="p-6"><Waiting what="Fetching the page" /></div>}>
                    <Routes>
                        <Route path="/" element={<CallList />} />
                        <Route path="/calls/:id" element={<Navigate to="hear" replace />} />
                        <Route path="/calls/:id/:stage" element={<CallPage />} />
                        <Route path="/people" element={<People />} />
                        <Route path="/login" element={<Own />} />
                        <Route path="/sums" element={<SumsPage />} />
                        <Route path="/sums/:slug" element={<SumsPage />} />
                        <Route path="*" element={<p className="p-6">There is no such page. <Link className="underline" to="/">Go to the calls.</Link></p>} />
                    </Routes>
                </Suspense>
            </Boundary>
        </div>
    );
}

function Bar({ me }: { me: Schemas['Me'] }) {
    const { name, firm } = me;
    const [settling, setSettling] = useState(false);
    const client = useQueryClient();
    const [mode, setMode] = useMode();
    const [hand, setHand] = useHand();
    const [, call, stage = 'hear'] = /^\/calls\/([^/]+)(?:\/([^/]+))?/.exec(useLocation().pathname) ?? [];
    const [beside, setBeside] = useState(false);
    const [leaving, setLeaving] = useState(false);
    const unsent = usePending().length;
    const may = useMay();
    return (
        <header className="no-print flex min-h-12 shrink-0 items-center gap-x-3 border-b border-ink bg-sheet px-3 wide:h-[50px]">
            <Link to="/" className="flex min-h-11 items-center gap-2 font-bold" aria-label="Yellow Probe, all calls">
                <Logo />
                <span className={call === undefined ? 'max-sm:hidden' : 'sr-only'}>Yellow Probe</span>
            </Link>
            {call === undefined ? (
                <div className="grow" />
            ) : (
                <Suspense fallback={<div className="grow" />}>
                    <CallBar id={call} stage={stage} />
                </Suspense>
            )}
            <Unsent />
            <Link to="/sums" className={`inline-flex min-h-11 items-center px-1 underline underline-offset-4 ${call === undefined ? '' : 'max-xl:hidden'}`}>
                Sums
            </Link>
            <Shortcuts />
            <Menu>
                <MenuButton className="min-h-11 shrink-0 px-1" aria-label={name}>
                    {call === undefined ? `${name} ▾` : <span className="max-w-28 truncate">≡</span>}
                </MenuButton>
                <MenuItems anchor="bottom end" className="z-30 border border-ink bg-sheet text-ink shadow-lg">
                    <p className="border-b border-line px-4 py-2 text-soft">
                        {name}, {firm}
                    </p>
                    {call !== undefined && (
                        <MenuItem>
                            <Link to="/sums" className={`${itemLook} xl:hidden`}>
                                Sums
                            </Link>
                        </MenuItem>
                    )}
                    <MenuItem>
                        <button type="button" className={itemLook} onClick={() => setMode(mode === 'cupboard' ? 'paper' : 'cupboard')}>
                            {mode === 'cupboard' ? 'Paper, for daylight' : 'Cupboard, for the dark'}
                        </button>
                    </MenuItem>
                    <MenuItem>
                        <button type="button" className={itemLook} onClick={() => setHand(hand === 'left' ? 'right' : 'left')}>
                            {say(hand === 'left' ? 'hand.right' : 'hand.left')}
                        </button>
                    </MenuItem>
                    {call !== undefined && may('accompany') && (
                        <MenuItem>
                            <button type="button" className={itemLook} onClick={() => setBeside(true)}>
                                {say('beside.open')}
                            </button>
                        </MenuItem>
                    )}
                    {may('administer') && (
                        <MenuItem>
                            <button type="button" className={itemLook} onClick={() => setSettling(true)}>
                                {say('firm.open')}
                            </button>
                        </MenuItem>
                    )}
                    {may('administer') && (
                        <MenuItem>
                            <Link to="/people" className={itemLook}>
                                {say('people.open')}
                            </Link>
                        </MenuItem>
                    )}
                    <MenuItem>
                        <Link to="/login" className={itemLook}>
                            {say('own.open')}
                        </Link>
                    </MenuItem>
                    <MenuItem>
                        <button type="button" className={itemLook} onClick={() => (unsent > 0 ? setLeaving(true) : void leave(client))}>
                            Log out
                        </button>
                    </MenuItem>
                </MenuItems>
            </Menu>
            {settling && <Firm me={me} onClose={() => setSettling(false)} />}
            {beside && call !== undefined && <StandBeside callId={call} onClose={() => setBeside(false)} />}
            <Modal open={leaving} onClose={() => setLeaving(false)} title={say('leave.title')}>
                <p className="mb-4">{say('leave.waiting', { count: unsent })}</p>
                <div className="flex flex-wrap gap-3">
                    <Button onClick={() => setLeaving(false)}>{say('leave.stay')}</Button>
                    <Button look="danger" onClick={() => void leave(client)}>
                        {say('leave.sure')}
                    </Button>
                </div>
            </Modal>
        </header>
    );
}

const itemLook = 'block min-h-11 w-full px-4 py-2.5 text-left data-focus:bg-ink data-focus:text-paper';

type Hand = 'left' | 'right';

/** The hand that holds the phone: buttons of the foot stand at its thumb. */
function useHand(): [Hand, (hand: Hand) => void] {
    const [hand, setHand] = useState<Hand>(() => (localStorage.getItem('yellow-probe.hand') === 'left' ? 'left' : 'right'));
    useEffect(() => {
        document.documentElement.dataset.hand = hand;
    }, [hand]);
    return [
        hand,
        (next) => {
            keep('yellow-probe.hand', next);
            setHand(next);
        },
    ];
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
