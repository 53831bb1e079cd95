import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Button, Mark, Modal, moment } from '../ui/parts';
import { say } from '../words';
import { Amend } from './Amend';
import { Beside, Facts, type RecordLine } from './Line';

type Reading = Schemas['ReadingView'];

/** Readings with all that is stored of each; of repeats the one that goes on the record is told apart from the others. */
export function ReadingsTable({ call, readings, record, label }: { call: Schemas['CallSummary']; readings: Reading[]; record: RecordLine[]; label: string }) {
    const [chosen, setChosen] = useState<Reading | null>(null);
    const [amending, setAmending] = useState<{ reading: Reading; act: 'corrected' | 'withdrawn' } | null>(null);
    if (readings.length === 0) {
        return <p className="text-soft">{say('record.none')}</p>;
    }
    const lines = new Map(record.map((line) => [line.id, line]));
    return (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`${label}, scrollable`}>
            <table className="w-full border-collapse text-left text-sm">
                <thead>
                    <tr className="border-b border-ink">
                        <th className="py-1 pr-3">Time</th>
                        <th className="py-1 pr-3">Test</th>
                        <th className="py-1 pr-3">Read</th>
                        <th className="py-1 pr-3">Expected</th>
                        <th className="py-1">Judged</th>
                        <td className="no-print" />
                    </tr>
                </thead>
                <tbody>
                    {readings.map((reading) => {
                        const line = lines.get(reading.id);
                        return (
                            <tr key={reading.id} className="break-inside-avoid border-b border-line align-top">
                                <td className="py-1 pr-3 font-mono">{moment(reading.at, call.openedAt)}</td>
                                <td className="py-1 pr-3 break-words">
                                    {reading.where}
                                    {reading.instrument === 'plug-in-tester' && <span className="text-soft"> ({say('record.screening')})</span>}
                                    {!reading.kept && <span className="block text-soft">{say('record.repeat')}</span>}
                                    {line && <Facts facts={line.facts.filter((fact) => ![reading.raw, reading.original, reading.expected].includes(fact.value))} />}
                                    {line && <Beside line={line} />}
                                    {line?.storedAt != null && <span className="block text-soft">{say('record.stored-at', { time: moment(line.storedAt, line.at) })}</span>}
                                </td>
                                <td className={`py-1 pr-3 font-mono font-bold whitespace-nowrap ${reading.withdrawn === null ? '' : 'line-through'}`}>{reading.raw}</td>
                                <td className="py-1 pr-3 font-mono">{reading.expected ?? '–'}</td>
                                <td className="py-1">
                                    {reading.withdrawn !== null ? (
                                        say('record.withdrawn', { reason: reading.withdrawn })
                                    ) : (
                                        <>
                                            {reading.fit && <Mark of={reading.fit} word={say(`fit.${reading.fit}`)} />}
                                            {reading.judgements.map((judgement) => (
                                                <span key={judgement.limit} className="block">
                                                    <Mark of={judgement.verdict} word={say(`judged.${judgement.verdict}`)} />
                                                </span>
                                            ))}
                                            {reading.proves && <span className="block font-bold">{say('record.proves')}</span>}
                                        </>
                                    )}
                                </td>
                                <td className="no-print py-1 pl-2">
                                    {reading.withdrawn === null && !reading.ofIsolation && (
                                        <button type="button" className="size-11 border border-line font-bold" aria-label={`${say('record.amend')}: ${reading.raw}, ${reading.where}`} onClick={() => setChosen(reading)}>
                                            ⋯
                                        </button>
                                    )}
                                </td>
                            </tr>
                        );
                    })}
                </tbody>
            </table>
            {/* One choice for all rows: a menu for each of a hundred readings is what makes a record slow. */}
            <Modal open={chosen !== null} onClose={() => setChosen(null)} title={say('record.amend')}>
                {chosen && (
                    <div className="space-y-2">
                        <p className="break-words">
                            <span className="font-mono font-bold">{chosen.raw}</span> {chosen.where}
                        </p>
                        {(['corrected', 'withdrawn'] as const).map((act) => (
                            <p key={act}>
                                <Button
                                    onClick={() => {
                                        setAmending({ reading: chosen, act });
                                        setChosen(null);
                                    }}
                                >
                                    {say(act === 'corrected' ? 'amend.correct-it' : 'amend.withdraw-it')}
                                </Button>
                            </p>
                        ))}
                    </div>
                )}
            </Modal>
            {amending && <Amend callId={call.id} id={amending.reading.id} words={`${amending.reading.original}, ${amending.reading.where}`} raw={amending.reading.raw} act={amending.act} onClose={() => setAmending(null)} />}
        </div>
    );
}
