import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useCalls } from '../api/hooks';
import { stageWords } from '../call/stages';
import { Button, day, Refused, Waiting } from '../ui/parts';
import { say } from '../words';
import { NewCall } from './NewCall';

export function CallList() {
    const calls = useCalls();
    const [opening, setOpening] = useState(false);
    const open = calls.data?.filter((call) => call.stage !== 'closed') ?? [];
    const closed = calls.data?.filter((call) => call.stage === 'closed') ?? [];
    return (
        <main className="mx-auto max-w-4xl px-4 py-6">
            <div className="mb-4 flex items-center justify-between gap-3">
                <h1 className="text-2xl font-bold">Calls</h1>
                <Button look={open.length === 0 ? 'next' : 'plain'} onClick={() => setOpening(true)}>
                    Open a call
                </Button>
            </div>
            <Refused error={calls.error} />
            {calls.isPending && <Waiting what="Fetching the calls" />}
            {calls.data?.length === 0 && <p className="py-8 text-soft">No calls yet. Open one when somebody rings: the house can come later.</p>}
            <Rows calls={open} />
            {closed.length > 0 && <h2 className="mt-8 mb-1 font-bold text-soft">Closed</h2>}
            <Rows calls={closed} />
            <NewCall open={opening} onClose={() => setOpening(false)} />
        </main>
    );
}

function Rows({ calls }: { calls: Schemas['CallSummary'][] }) {
    return (
        <ul className="divide-y divide-line border-y border-line empty:hidden">
            {calls.map((call) => (
                <li key={call.id}>
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
                            {call.unreadable !== 0 && <p className="mt-1 text-doubt">▲ {call.unreadable < 0 ? say('unreadable-call') : say('unreadable', { count: call.unreadable })}</p>}
                        </div>
                        <div className="text-soft sm:text-right">
                            <p className="font-bold text-ink">{stageWords[call.stage] ?? call.stage}</p>
                            <p>{day(call.openedAt)}</p>
                        </div>
                    </Link>
                </li>
            ))}
        </ul>
    );
}
