import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useMay } from '../session/may';
import { clock, moment } from '../ui/parts';
import { say } from '../words';
import { Amend, type Amending } from './Amend';

export type RecordLine = Schemas['RecordLineView'];

/** An entry as the record says it, with what was said beside it later, and the menu to put it right. */
export function Line({ call, line, strong = false, children }: { call: Schemas['CallSummary']; line: RecordLine; strong?: boolean; children?: ReactNode }) {
    const [amending, setAmending] = useState<Amending | null>(null);
    const may = useMay();
    const gone = line.withdrawn !== null;
    return (
        <div className="flex break-inside-avoid gap-2 py-1">
            <div className="min-w-0 flex-1">
                <p className="break-words">
                    <span className="text-sm text-soft">
                        <span className="font-mono">{moment(line.at, call.openedAt)}</span> {line.by}
                        {line.storedAt !== null && ` (${say('record.stored-at', { time: moment(line.storedAt, line.at) })})`}
                    </span>{' '}
                    <span className={`${strong ? 'text-lg font-bold' : ''} ${gone ? 'line-through' : ''}`}>{line.words}</span>
                </p>
                <Facts facts={line.facts} />
                {gone && <p className="text-sm">{say('record.withdrawn', { reason: line.withdrawn ?? '' })}</p>}
                <Beside line={line} />
                {line.photo && <img className="mt-1 max-h-40 border border-line" loading="lazy" src={`/api/calls/${call.id}/observations/${line.id}/photo`} alt={say('record.photo', { words: line.words })} />}
                {children}
            </div>
            {(line.canCorrect || line.canWithdraw) && may('tell') && (
                <Menu>
                    <MenuButton className="no-print size-11 shrink-0 self-start border border-line font-bold" aria-label={`${say('record.amend')}: ${line.words}`}>
                        ⋯
                    </MenuButton>
                    <MenuItems anchor="bottom end" className="z-30 border border-ink bg-sheet text-ink shadow-lg">
                        {line.canCorrect && <Item act={() => setAmending('corrected')}>{say('amend.correct-it')}</Item>}
                        {line.canWithdraw && <Item act={() => setAmending('withdrawn')}>{say('amend.withdraw-it')}</Item>}
                    </MenuItems>
                </Menu>
            )}
            {amending && <Amend callId={call.id} id={line.id} words={line.words} act={amending} onClose={() => setAmending(null)} />}
        </div>
    );
}

/** What an entry holds beside its words. */
export function Facts({ facts }: { facts: Schemas['FactView'][] }) {
    return facts.length === 0 ? null : (
        <dl className="text-sm">
            {facts.map((fact) => (
                <div key={fact.label + fact.value} className="break-words">
                    <dt className="inline text-soft">{fact.label}: </dt>
                    <dd className="inline">{fact.value}</dd>
                </div>
            ))}
        </dl>
    );
}

/** Corrections and doubts beside the entry that they are about. */
export function Beside({ line }: { line: Pick<RecordLine, 'beside' | 'original'> }) {
    const said = line.beside
        .filter((each) => each.kind !== 'withdrawn')
        .map((each) => (
            <p key={each.at + each.kind + each.words} className="text-sm break-words">
                {say(`beside.${each.kind}`, { words: each.words, reason: each.reason, by: each.by, time: clock(each.at) })}
            </p>
        ));
    return (
        <>
            {line.original !== null && line.original !== '' && <p className="text-sm break-words">{say('beside.original', { words: line.original })}</p>}
            {said}
        </>
    );
}

export function Item({ act, children }: { act: () => void; children: string }) {
    return (
        <MenuItem>
            <button type="button" className="block min-h-11 w-full px-4 text-left data-focus:bg-ink data-focus:text-paper" onClick={act}>
                {children}
            </button>
        </MenuItem>
    );
}
