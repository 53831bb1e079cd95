import { Menu, MenuButton, MenuItems } from '@headlessui/react';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve, type Connection } from '../api/hooks';
import { Amend } from '../record/Amend';
import { Item } from '../record/Line';
import { clock, Mark, Refused } from '../ui/parts';
import { say } from '../words';

type Reading = Schemas['ReadingView'];

/** Every reading as taken, with corrections and withdrawals beside it; nothing is overwritten. */
export function Readings({ callId, readings, here, onAgain }: { callId: string; readings: Reading[]; here: Connection | null; onAgain?: (reading: Reading) => void }) {
    const observe = useObserve(callId);
    const [open, setOpen] = useState<{ act: 'corrected' | 'withdrawn' | 'doubted'; reading: Reading } | null>(null);
    return (
        <section aria-label="Readings">
            <h2 className="border-b border-ink pb-1 font-bold">Readings</h2>
            {readings.length === 0 && <p className="py-2 text-soft">None yet. Place the probes, choose the tester, type what it shows.</p>}
            <Refused error={observe.error} />
            <ol className="divide-y divide-line">
                {[...readings].reverse().map((reading) => (
                    <li key={reading.id} className={`grid grid-cols-[1fr_auto] gap-x-2 py-2 ${reading.withdrawn === null ? '' : 'text-soft'}`}>
                        <div className="min-w-0">
                            <p className="break-words">
                                <span className={`font-mono text-lg font-bold ${reading.withdrawn === null ? '' : 'line-through'}`}>{reading.raw}</span> {reading.where}
                            </p>
                            {reading.fit !== null && reading.withdrawn === null && (
                                <p className="text-sm">
                                    <Mark of={reading.fit} />
                                    {reading.fit !== 'fits' && <>; expected {reading.expected}</>}
                                    {reading.judgements.filter((judgement) => judgement.verdict !== 'good').map((judgement) => (
                                        <span key={judgement.limit} className="block">
                                            <Mark of={judgement.verdict} word={judgement.limit} />: {judgement.sentence}
                                        </span>
                                    ))}
                                </p>
                            )}
                            {reading.paired && reading.withdrawn === null && (
                                <p className="text-sm">
                                    Was <span className="font-mono font-bold">{reading.paired.raw}</span> before: {reading.paired.changed.slice(0, 3).join(', ')}
                                    {reading.paired.changed.length > 3 ? ` and ${reading.paired.changed.length - 3} more` : ''}
                                </p>
                            )}
                            {!reading.placed && <p className="text-sm text-doubt">▲ Not on the map yet: stored, not judged.</p>}
                            {reading.doubted !== null && reading.withdrawn === null && <p className="text-sm text-doubt">▲ Doubted: {reading.doubted}</p>}
                            {reading.withdrawn !== null && <p className="text-sm">Withdrawn: {reading.withdrawn}</p>}
                            {reading.corrections.map((correction) => (
                                <p key={correction.id} className="text-sm">
                                    First read {reading.original}; corrected to {correction.raw}: {correction.reason}
                                </p>
                            ))}
                            <p className="text-sm text-soft">
                                {clock(reading.at)} {reading.by}
                                {reading.afterRepair ? ', after the repair' : ''}
                            </p>
                        </div>
                        {reading.withdrawn === null && !reading.ofIsolation && <Menu>
                            <MenuButton className="size-11 self-start border border-line font-bold" aria-label={`What to do with the reading ${reading.raw}`}>
                                ⋯
                            </MenuButton>
                            <MenuItems anchor="bottom end" className="z-30 border border-ink bg-sheet text-ink shadow-lg">
                                {onAgain && reading.placed && <Item act={() => onAgain(reading)}>Its leads on the map, and the way of its current</Item>}
                                <Item act={() => setOpen({ act: 'corrected', reading })}>{say('amend.correct-it')}</Item>
                                {reading.doubted === null && <Item act={() => setOpen({ act: 'doubted', reading })}>{say('amend.doubt-it')}</Item>}
                                <Item act={() => setOpen({ act: 'withdrawn', reading })}>{say('amend.withdraw-it')}</Item>
                                {!reading.placed && here && <Item act={() => observe.mutate({ kind: 'placed', payload: { observation: reading.id, connection: here } })}>Place it where the probes are now</Item>}
                            </MenuItems>
                        </Menu>}
                    </li>
                ))}
            </ol>
            {open && <Amend key={open.reading.id + open.act} callId={callId} id={open.reading.id} words={`${open.reading.original}, ${open.reading.where}`} raw={open.reading.raw} act={open.act} onClose={() => setOpen(null)} />}
        </section>
    );
}
