import { useEffect, useMemo, useReducer, useState } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { api, got, Refusal, type Detail } from '../api/client';
import { HousePick } from '../calls/HousePick';
import { Button, Modal, Refused, Waiting } from '../ui/parts';
import { Board } from './Board';
import { download } from './download';
import { useDrawnUp, useStoreSurvey, useSurveyLists } from './hooks';
import { Keypad } from './Keypad';
import { Outcome } from './Outcome';
import { asSent, filled, fromStored, meaning, next, start, begun, type Act, type Entry, type Sheet } from './sheet';
import { Supply } from './Supply';

const ruleSets = [
    { slug: 'A', words: '230 V, consumer unit' },
    { slug: 'B', words: '120/240 V, panel' },
    { slug: 'C', words: '230 V, earth-leakage unit' },
] as const;

const draftKey = (callId: string) => `yellow-probe.draft.${callId}.survey`;

function kept(callId: string): { entry: Entry | null; houseId: string } {
    const text = localStorage.getItem(draftKey(callId));
    const draft = text === null ? null : (JSON.parse(text) as { sheet: Sheet; houseId: string });
    return { entry: draft && start(draft.sheet), houseId: draft?.houseId ?? uuidv7() };
}

/** A new survey: which board it is, then its ways in physical order by keyboard or thumb. */
export function Sheets({ detail }: { detail: Detail }) {
    const callId = detail.call.id;
    const navigate = useNavigate();
    const [first] = useState(() => kept(callId));
    const [ruleSet, setRuleSet] = useState<Sheet['ruleSet']>(first.entry?.sheet.ruleSet ?? (localStorage.getItem('yellow-probe.ruleSet') as Sheet['ruleSet'] | null) ?? 'A');
    const lists = useSurveyLists(ruleSet);
    const [entry, act] = useReducer((now: Entry | null, what: Act) => (now === null ? (what.do === 'begin' ? next(start(begun(what.ruleSet, what.pattern)), what) : what.do === 'load' ? start(what.sheet) : null) : next(now, what)), first.entry);
    const [copying, setCopying] = useState(false);
    const [help, setHelp] = useState(false);
    const sheet = entry?.sheet;
    const sent = useMemo(() => (sheet && filled(sheet).length > 0 ? asSent(sheet) : null), [sheet]);
    const drawn = useDrawnUp(detail.call.address, sent);
    const store = useStoreSurvey(callId);

    useEffect(() => {
        if (sheet) {
            localStorage.setItem(draftKey(callId), JSON.stringify({ sheet, houseId: first.houseId }));
        }
    }, [sheet, callId, first.houseId]);
    const begin = (pattern: NonNullable<typeof lists.data>['patterns'][number]) => {
        localStorage.setItem('yellow-probe.ruleSet', ruleSet);
        act({ do: 'begin', ruleSet, pattern });
    };
    const save = () => {
        if (sent) {
            store.mutate({ id: first.houseId, sheet: sent }, {
                onSuccess: () => {
                    localStorage.removeItem(draftKey(callId));
                    void navigate(`/calls/${callId}/trace`);
                },
            });
        }
    };
    useEffect(() => {
        const typed = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
                event.preventDefault();
                save();
                return;
            }
            if (event.ctrlKey || event.metaKey || event.altKey || target.closest('input, textarea, select, [role="dialog"], [role="listbox"]') || !lists.data) {
                return;
            }
            if (!entry) {
                const pattern = lists.data.patterns[Number(event.key) - 1];
                if (pattern) {
                    begin(pattern);
                }
                return;
            }
            const what = meaning(event.key, lists.data);
            if (what) {
                event.preventDefault();
                act(what);
            }
        };
        addEventListener('keydown', typed);
        return () => removeEventListener('keydown', typed);
    });

    if (!lists.data) {
        return (
            <main className="p-6">
                {lists.isPending && <Waiting what="Fetching what boards look like" />}
                <Refused error={lists.error} />
            </main>
        );
    }
    if (!entry) {
        return (
            <main className="mx-auto max-w-3xl space-y-6 px-4 py-6">
                <section>
                    <h2 className="mb-2 text-2xl font-bold">Which board is it</h2>
                    <div role="radiogroup" aria-label="Rule set" className="mb-4 flex flex-wrap gap-2">
                        {ruleSets.map((each) => (
                            <button key={each.slug} type="button" role="radio" aria-checked={ruleSet === each.slug} onClick={() => setRuleSet(each.slug)} className={`min-h-11 border px-3 ${ruleSet === each.slug ? 'border-ink bg-ink font-bold text-paper' : 'border-line bg-sheet'}`}>
                                {each.words}
                            </button>
                        ))}
                    </div>
                    <ol className="space-y-2">
                        {lists.data.patterns.map((pattern, at) => (
                            <li key={pattern.slug}>
                                <Button className="w-full" onClick={() => begin(pattern)}>
                                    <span className="mr-3 font-mono text-soft">{at + 1}</span>
                                    {pattern.words}
                                </Button>
                            </li>
                        ))}
                    </ol>
                </section>
                <p className="flex flex-wrap gap-x-4">
                    <Button look="quiet" onClick={() => setCopying(true)}>
                        Copy an earlier survey
                    </Button>
                    <Import onSheet={(loaded) => act({ do: 'load', sheet: loaded })} />
                </p>
                <p className="text-soft">Only as much as the fault needs. Everything starts as typical and assumed; readings do not wait for it.</p>
                {copying && <Copy onClose={() => setCopying(false)} onSheet={(loaded) => act({ do: 'load', sheet: loaded })} />}
            </main>
        );
    }
    const wrong = drawn.error instanceof Refusal ? drawn.error.pointer.match(/^\/sheet\/ways\/(\d+)/)?.[1] : undefined;
    return (
        <main className="mx-auto grid max-w-7xl gap-x-8 gap-y-4 px-4 py-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
            <section aria-label="The board" className="min-w-0">
                <div className="mb-2 flex flex-wrap items-center gap-x-2">
                    <h2 className="mr-auto text-xl font-bold">The board, way by way</h2>
                    <Button look="quiet" disabled={entry.past.length === 0} onClick={() => act({ do: 'undo' })}>
                        Undo
                    </Button>
                    <Button look="quiet" onClick={() => setHelp(true)}>
                        Keys
                    </Button>
                    <Button look="quiet" onClick={() => download(asSent(entry.sheet), `survey ${detail.call.address}`)}>
                        Export
                    </Button>
                </div>
                <Keypad lists={lists.data} entry={entry} act={act} />
                <Board entry={entry} lists={lists.data} wrong={wrong === undefined ? null : Number(wrong)} act={act} />
            </section>
            <aside className="min-w-0 space-y-5">
                <Supply sheet={entry.sheet} lists={lists.data} drawn={drawn.data} act={act} />
                <Refused error={drawn.error ?? store.error} />
                {drawn.data && <Outcome open={drawn.data.open} board={drawn.data.board} />}
            </aside>
            <div className="sticky bottom-0 z-10 flex flex-wrap items-center gap-4 border-t border-ink bg-paper py-2 lg:col-span-2">
                <Button look="next" disabled={sent === null || store.isPending || drawn.isError} onClick={save}>
                    {store.isPending ? 'Drawing up …' : 'Draw up this house'}
                </Button>
                <span className="text-sm text-soft">{sent === null ? 'Fill at least one way.' : 'Then on to Trace. Anything can be refined later.'}</span>
            </div>
            {help && <Keys lists={lists.data} onClose={() => setHelp(false)} />}
        </main>
    );
}

function Keys({ lists, onClose }: { lists: NonNullable<ReturnType<typeof useSurveyLists>['data']>; onClose: () => void }) {
    const rest = [
        ['0–9', 'rating of the way filled last'],
        ['R', 'breaker, or breaker with residual device'],
        ['N', 'switches the neutral: not known, yes, no'],
        ['/', 'the next group begins here'],
        ['-  .', 'spare device, blank way'],
        ['↑ ↓', 'choose a way'],
        ['+', 'one way more'],
        ['Backspace', 'undo'],
        ['Delete', 'empty the way'],
        ['Ctrl Enter', 'draw up the house'],
    ];
    return (
        <Modal open onClose={onClose} title="A board typed in">
            <p className="mb-2">A letter fills the way and moves on: “g32l6” is a ring on 32 A and lights on 6 A.</p>
            <dl className="grid grid-cols-[7rem_1fr] gap-y-1">
                {[...lists.feeds.map((each) => [each.key.toUpperCase(), each.words]), ...rest].map(([key, words]) => (
                    <div key={key} className="contents">
                        <dt className="font-mono font-bold">{key}</dt>
                        <dd>{words}</dd>
                    </div>
                ))}
            </dl>
        </Modal>
    );
}

function Copy({ onClose, onSheet }: { onClose: () => void; onSheet: (sheet: Sheet) => void }) {
    const [error, setError] = useState<unknown>(null);
    const copy = async (id: string) => {
        try {
            const house = await got(api.GET('/api/houses/{id}', { params: { path: { id } } }));
            const sheet = fromStored((house.document as { survey?: Record<string, unknown> }).survey ?? {});
            if (!sheet) {
                throw new Refusal(422, 'That house was not drawn up from a survey sheet. Open a call with that house itself instead.');
            }
            onSheet(sheet);
            onClose();
        } catch (problem) {
            setError(problem);
        }
    };
    return (
        <Modal open onClose={onClose} title="Copy an earlier survey">
            <HousePick value="" onChange={(id) => id !== '' && void copy(id)} />
            <div className="mt-3">
                <Refused error={error} />
            </div>
        </Modal>
    );
}

function Import({ onSheet }: { onSheet: (sheet: Sheet) => void }) {
    const [error, setError] = useState<unknown>(null);
    return (
        <span>
            <label className="inline-flex min-h-11 cursor-pointer items-center px-2 underline underline-offset-4 focus-within:outline-3">
                Read a sheet from a file
                <input
                    className="sr-only"
                    type="file"
                    accept="application/json"
                    onChange={(event) => {
                        void event.target.files?.[0]?.text().then((text) => {
                            try {
                                const sheet = fromStored(JSON.parse(text) as Record<string, unknown>);
                                if (!sheet) {
                                    throw new Error();
                                }
                                onSheet(sheet);
                            } catch {
                                setError(new Refusal(422, 'This file is not a survey sheet: it has to be JSON with “ruleSet”, “groups” and “ways”, as Export writes it.'));
                            }
                        });
                    }}
                />
            </label>
            <Refused error={error} />
        </span>
    );
}
