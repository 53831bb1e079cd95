import { useEffect, useRef } from 'react';
import type { Schemas } from '../api/client';
import type { Act, Entry, WayEntry } from './sheet';

const RATINGS = [6, 10, 15, 16, 20, 25, 30, 32, 40, 45, 50, 63];

/** Sizes that the server knows what they carry. */
const JUMPERS = [4, 6, 10, 16, 25];

/** The ways in their physical order, each with its device, rating and what it feeds. */
export function Board({ entry, lists, wrong, act }: { entry: Entry; lists: Schemas['SurveyListsView']; wrong: number | null; act: (act: Act) => void }) {
    const { sheet } = entry;
    // The group that each way stands in; a way left empty stands in the group before it.
    const groups = sheet.ways.map((way, at) => way?.group ?? sheet.ways.slice(0, at).findLast((each) => each !== null)?.group ?? -1);
    return (
        <ol aria-label="Ways" className="border-l-8 border-ink">
            {sheet.ways.map((way, at) => {
                const begins = way !== null && groups[at] !== (groups[at - 1] ?? -1);
                const device = sheet.groups[groups[at] ?? -1];
                return (
                    <li key={at}>
                        {begins && device && (sheet.groups.length > 1 || device.milliamps > 0) && (
                            <div className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line bg-line/40 px-3 text-sm">
                                <strong>{device.milliamps > 0 ? `${device.name || 'Residual device'}, ${device.milliamps} mA${device.type ? `, type ${device.type}` : ''}` : 'No residual device'}</strong>
                                <label className="flex min-h-11 items-center gap-2">
                                    Fed by
                                    <select className="min-h-11 border border-ink bg-sheet px-2" value={device.jumperMm2 ?? 0} onChange={(event) => act({ do: 'jumper', group: groups[at] ?? 0, mm2: Number(event.target.value) })}>
                                        <option value={0}>a bar, or not seen</option>
                                        {JUMPERS.map((mm2) => (
                                            <option key={mm2} value={mm2}>
                                                a jumper of {mm2} mm²
                                            </option>
                                        ))}
                                    </select>
                                </label>
                            </div>
                        )}
                        <Row way={way} number={at + 1} isOpen={entry.open === at} isNext={entry.cursor === at} isWrong={wrong === at} entry={entry} lists={lists} act={act} />
                    </li>
                );
            })}
            <li>
                <button type="button" className="min-h-11 px-3 underline underline-offset-4" onClick={() => act({ do: 'longer' })}>
                    One way more
                </button>
            </li>
        </ol>
    );
}

function Row({ way, number, isOpen, isNext, isWrong, entry, lists, act }: { way: WayEntry | null; number: number; isOpen: boolean; isNext: boolean; isWrong: boolean; entry: Entry; lists: Schemas['SurveyListsView']; act: (act: Act) => void }) {
    const ref = useRef<HTMLDivElement>(null);
    const feeds = lists.feeds.find((each) => each.slug === way?.feeds);
    useEffect(() => {
        if (isOpen) {
            ref.current?.scrollIntoView({ block: 'nearest' });
        }
    }, [isOpen]);
    const at = number - 1;
    const choose = () => act({ do: 'go', to: at });
    const change = (what: Partial<WayEntry>) => {
        choose();
        act({ do: 'way', change: what });
    };
    return (
        <div ref={ref} className={`border-b border-line ${isOpen && way ? 'bg-sheet' : ''} ${isWrong ? 'outline-2 outline-bad' : ''}`}>
            <div className="flex flex-wrap items-center gap-x-3 px-3">
                <button type="button" aria-current={isNext} onClick={choose} className="flex min-h-11 flex-1 items-center gap-3 text-left">
                    <span className={`w-7 font-mono ${isNext ? 'font-bold underline decoration-4 underline-offset-4' : 'text-soft'}`}>
                        <span className="sr-only">Way </span>
                        {number}
                    </span>
                    <span className="min-w-0 flex-1 break-words">{way === null ? <span className="text-soft">{isNext ? 'next' : <span className="sr-only">empty</span>}</span> : way.device === 'blank' ? <span className="text-soft">Blank</span> : (way.name ?? feeds?.words ?? 'Spare')}</span>
                    {way && way.device !== 'blank' && (
                        <span className="text-right text-sm">
                            <span className="font-mono text-base font-bold">
                                {way.curve}
                                {way.amperes}
                            </span>{' '}
                            A<span className="ml-2 text-soft">{way.device === 'rcbo' ? 'with residual device' : feeds?.shape === 'two-pole' ? 'two poles' : 'breaker'}</span>
                        </span>
                    )}
                </button>
            </div>
            {isOpen && way && way.device !== 'blank' && (
                <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-3 pb-2 text-sm">
                    <label className="flex min-h-11 items-center gap-2">
                        Rating
                        <select className="min-h-11 border border-ink bg-sheet px-2" value={way.amperes} onChange={(event) => change({ amperes: Number(event.target.value) })}>
                            {[...new Set([...RATINGS, way.amperes])].sort((a, b) => a - b).map((amperes) => (
                                <option key={amperes} value={amperes}>
                                    {amperes} A
                                </option>
                            ))}
                        </select>
                    </label>
                    <label className="flex min-h-11 items-center gap-2">
                        <input type="checkbox" className="size-5 accent-(--ink)" checked={way.device === 'rcbo'} onChange={() => act({ do: 'device' })} />
                        residual device of its own
                    </label>
                    {way.device === 'rcbo' && (
                        <label className="flex min-h-11 items-center gap-2">
                            Switches the neutral
                            <select className="min-h-11 border border-ink bg-sheet px-2" value={way.neutral} onChange={(event) => change({ neutral: event.target.value as WayEntry['neutral'] })}>
                                <option value="unknown">not known</option>
                                <option value="yes">yes</option>
                                <option value="no">no</option>
                            </select>
                        </label>
                    )}
                    {feeds && (
                        <label className="flex min-h-11 items-center gap-2">
                            Points
                            <input type="number" min={1} max={24} className="min-h-11 w-16 border border-ink bg-sheet px-2" value={way.points ?? feeds.points} onChange={(event) => change({ points: Math.min(24, Math.max(1, Math.round(Number(event.target.value) || 1))) })} />
                        </label>
                    )}
                    <label className="flex min-h-11 items-center gap-2">
                        Label
                        <input className="min-h-11 w-44 border border-ink bg-sheet px-2" maxLength={60} placeholder={feeds?.words} value={way.name ?? ''} onChange={(event) => change({ name: event.target.value === '' ? undefined : event.target.value })} />
                    </label>
                    {entry.sheet.groups.length > 1 && (
                        <button type="button" className="min-h-11 underline underline-offset-4" onClick={() => act({ do: 'divide' })}>
                            The next group begins here, or not
                        </button>
                    )}
                    <button type="button" className="min-h-11 underline underline-offset-4" onClick={() => act({ do: 'clear' })}>
                        Empty
                    </button>
                </div>
            )}
        </div>
    );
}
