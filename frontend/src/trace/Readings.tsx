import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve, type Connection } from '../api/hooks';
import { Button, clock, inputLook, Mark, Modal, Refused, useDraft } from '../ui/parts';

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
                        <Menu>
                            <MenuButton className="size-11 self-start border border-line font-bold" aria-label={`What to do with the reading ${reading.raw}`}>
                                ⋯
                            </MenuButton>
                            <MenuItems anchor="bottom end" className="z-30 border border-ink bg-sheet text-ink shadow-lg">
                                {onAgain && reading.placed && <Item act={() => onAgain(reading)}>Its leads on the map, and the way of its current</Item>}
                                <Item act={() => setOpen({ act: 'corrected', reading })}>Correct it, beside the original</Item>
                                {reading.doubted === null && <Item act={() => setOpen({ act: 'doubted', reading })}>Doubt it: let it count for less</Item>}
                                <Item act={() => setOpen({ act: 'withdrawn', reading })}>Withdraw it, with a reason</Item>
                                {!reading.placed && here && <Item act={() => observe.mutate({ kind: 'placed', payload: { observation: reading.id, connection: here } })}>Place it where the probes are now</Item>}
                            </MenuItems>
                        </Menu>
                    </li>
                ))}
            </ol>
            {open && <Amend key={open.reading.id + open.act} callId={callId} {...open} onClose={() => setOpen(null)} />}
        </section>
    );
}

function Item({ act, children }: { act: () => void; children: string }) {
    return (
        <MenuItem>
            <button type="button" className="block min-h-11 w-full px-4 text-left data-focus:bg-ink data-focus:text-paper" onClick={act}>
                {children}
            </button>
        </MenuItem>
    );
}

const AMENDING = {
    corrected: { title: 'Correct a reading', store: 'Store the correction' },
    withdrawn: { title: 'Withdraw a reading', store: 'Withdraw it' },
    doubted: { title: 'Doubt a reading', store: 'Let it count for less' },
};

function Amend({ callId, act, reading, onClose }: { callId: string; act: 'corrected' | 'withdrawn' | 'doubted'; reading: Reading; onClose: () => void }) {
    const observe = useObserve(callId);
    const [raw, setRaw] = useState(reading.raw);
    const [reason, setReason] = useDraft(`${callId}.amend`);
    return (
        <Modal open onClose={onClose} title={AMENDING[act].title}>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    observe.mutate({ kind: act, payload: { observation: reading.id, reason, ...(act === 'corrected' ? { raw } : {}) } }, {
                        onSuccess: () => {
                            setReason('');
                            onClose();
                        },
                    });
                }}
            >
                <p className="text-soft">The first reading, {reading.original}, stays on the record.</p>
                {act === 'corrected' && (
                    <label className="block font-bold">
                        It should be
                        <input className={`${inputLook} mt-1 font-mono`} required value={raw} onChange={(event) => setRaw(event.target.value)} />
                    </label>
                )}
                <label className="block font-bold">
                    Reason
                    <input className={`${inputLook} mt-1 font-normal`} required maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
                </label>
                <Refused error={observe.error} />
                <Button type="submit" disabled={observe.isPending}>{AMENDING[act].store}</Button>
            </form>
        </Modal>
    );
}
