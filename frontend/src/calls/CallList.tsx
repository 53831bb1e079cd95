import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useCalls } from '../api/hooks';
import { stageWords } from '../call/stages';
import { useMay } from '../session/may';
import { Button, day, inputLook, Refused, Waiting } from '../ui/parts';
import { say } from '../words';
import { NewCall } from './NewCall';
import { useSettling } from './settling';

export function CallList() {
    const may = useMay();
    const [search, setSearch] = useState(() => sessionStorage.getItem('yellow-probe.search') ?? '');
    const settled = useSettling(search);
    const open = useCalls(false, settled);
    const closed = useCalls(true, settled);
    const [opening, setOpening] = useState(false);
    const isEmpty = open.data?.pages[0]?.calls.length === 0 && closed.data?.pages[0]?.calls.length === 0;
    return (
        <main className="mx-auto max-w-4xl px-4 py-6">
            <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
                <h1 className="text-2xl font-bold">{say('calls.title')}</h1>
                <label className="min-w-40 flex-1 sm:max-w-sm">
                    <span className="sr-only">{say('calls.search')}</span>
                    <input
                        className={inputLook}
                        type="search"
                        placeholder={say('calls.search-what')}
                        maxLength={200}
                        value={search}
                        onChange={(event) => {
                            setSearch(event.target.value);
                            sessionStorage.setItem('yellow-probe.search', event.target.value);
                        }}
                    />
                </label>
                {may('tell') && (
                    <Button look={isEmpty && settled === '' ? 'next' : 'plain'} onClick={() => setOpening(true)}>
                        {say('calls.open')}
                    </Button>
                )}
            </div>
            <Refused error={open.error ?? closed.error} />
            {open.isPending && <Waiting what="Fetching the calls" />}
            {isEmpty && <p className="py-8 text-soft">{settled === '' ? say('calls.none') : say('calls.none-found', { search: settled })}</p>}
            <Rows list={open} />
            {(closed.data?.pages[0]?.calls.length ?? 0) > 0 && <h2 className="mt-8 mb-1 font-bold text-soft">{say('calls.closed')}</h2>}
            <Rows list={closed} />
            {opening && <NewCall onClose={() => setOpening(false)} />}
        </main>
    );
}

function Rows({ list }: { list: ReturnType<typeof useCalls> }) {
    return (
        <>
            <ul className="divide-y divide-line border-y border-line empty:hidden">{list.data?.pages.flatMap((page) => page.calls.map((call) => <Row key={call.id} call={call} />))}</ul>
            {list.hasNextPage && (
                <Button look="quiet" disabled={list.isFetchingNextPage} onClick={() => void list.fetchNextPage()}>
                    {say('calls.more')}
                </Button>
            )}
        </>
    );
}

function Row({ call }: { call: Schemas['CallSummary'] }) {
    return (
        <li>
            <Link to={`/calls/${call.id}/${call.stage === 'closed' ? 'hand-over' : call.stage}`} className="grid gap-x-6 gap-y-1 py-4 hover:bg-sheet sm:grid-cols-[1fr_11rem]">
                <div className="min-w-0">
                    <p className="text-lg font-bold break-words">{call.address}</p>
                    <p className="break-words text-soft">{call.customer}</p>
                    <p className="mt-1 line-clamp-2">“{call.complaint}”</p>
                    {call.unsafe.map((sentence) => (
                        <p key={sentence} className="mt-1 text-bad">
                            <span aria-hidden="true">◆ </span>
                            {sentence}
                        </p>
                    ))}
                    {call.unreadable > 0 && <p className="mt-1 text-doubt">▲ {say('unreadable', { count: call.unreadable })}</p>}
                </div>
                <div className="text-soft sm:text-right">
                    <p className="font-bold text-ink">{stageWords[call.stage] ?? call.stage}</p>
                    <p>{day(call.openedAt)}</p>
                </div>
            </Link>
        </li>
    );
}
