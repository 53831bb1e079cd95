import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, got, type Detail } from '../api/client';
import { useObserve } from '../api/hooks';
import type { paths } from '../api/schema.gen';
import { people } from '../hear/People';
import { Button, clock, inputLook, Refused, useDraft } from '../ui/parts';

type Inputs = paths['/api/decisions']['post']['requestBody']['content']['application/json'];

const numbers: { key: 'affected' | 'tested' | 'minutesEach' | 'minutesLeft' | 'materials' | 'ratePerHour'; words: string }[] = [
    { key: 'affected', words: 'Points that have it' },
    { key: 'tested', words: 'Points tested' },
    { key: 'minutesEach', words: 'Minutes for each' },
    { key: 'minutesLeft', words: 'Minutes left of the visit' },
    { key: 'materials', words: 'Materials, money' },
    { key: 'ratePerHour', words: 'An hour, money' },
];

/** Mend it now, or make it safe, list it and come back: both options priced, the choice with its reason and consent on record. */
export function Decide({ detail, dangerous }: { detail: Detail; dangerous: boolean }) {
    const observe = useObserve(detail.call.id);
    const [inputs, setInputs] = useState<Inputs>({
        isDangerous: dangerous,
        affected: 1,
        tested: Math.max(1, new Set(detail.readings.flatMap((reading) => reading.terminals.map((terminal) => terminal.split('.')[0]))).size),
        minutesEach: 20,
        minutesLeft: 60,
        hasParts: true,
        isRepairVisit: detail.call.visit !== 'inspection',
        materials: 0,
        ratePerHour: Number(localStorage.getItem('yellow-probe.rate') ?? 60),
    });
    const [reason, setReason] = useDraft(`${detail.call.id}.decide`);
    const [who, setWho] = useState(people(detail).contacts[0]?.name ?? detail.call.customer);
    const [how, setHow] = useState('');
    const options = useQuery({ queryKey: ['decision', inputs], queryFn: () => got(api.POST('/api/decisions', { body: inputs })), placeholderData: keepPreviousData, retry: false, staleTime: Infinity });
    const decided = detail.observations.filter((each) => each.kind === 'decided').at(-1);
    const set = (change: Partial<Inputs>) => setInputs({ ...inputs, ...change });
    const decide = (choice: 'mend' | 'list') => observe.mutate({ kind: 'decided', payload: { choice, reason, inputs, options: options.data ?? null, ...(choice === 'mend' ? { consent: { who, how } } : {}) } }, { onSuccess: () => setReason('') });
    const data = options.data;
    return (
        <section aria-label="Mend or list">
            <h2 className="mb-2 text-xl font-bold">Mend, or list?</h2>
            {decided && (
                <p className="mb-3 border-l-4 border-ink pl-3 break-words">
                    <strong>{decided.payload.choice === 'mend' ? 'To be mended now' : 'Made safe and listed'}</strong>, {clock(decided.at)} by {decided.by}: {String(decided.payload.reason)}
                    {decided.payload.consent ? ` Agreed by ${(decided.payload.consent as { who: string; how: string }).who}, ${(decided.payload.consent as { who: string; how: string }).how}.` : ''}
                </p>
            )}
            <details open={!decided}>
                <summary className="min-h-11 cursor-pointer py-2">{decided ? 'Decide again' : 'What it hangs on'}</summary>
                <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
                    {numbers.map(({ key, words }) => (
                        <label key={key} className="block text-sm">
                            {words}
                            <input className={`${inputLook} font-mono`} inputMode="decimal" value={inputs[key]} onChange={(event) => set({ [key]: Number(event.target.value.replace(',', '.')) || 0 })} />
                        </label>
                    ))}
                </div>
                <div className="flex flex-wrap gap-x-5">
                    {(
                        [
                            ['isDangerous', 'Dangerous now or soon, people sleep here'],
                            ['hasParts', 'Parts on the van'],
                            ['isRepairVisit', 'This visit is for repair'],
                        ] as const
                    ).map(([key, words]) => (
                        <label key={key} className="flex min-h-11 items-center gap-2 text-sm">
                            <input type="checkbox" className="size-5 accent-(--ink)" checked={inputs[key]} onChange={() => set({ [key]: !inputs[key] })} />
                            {words}
                        </label>
                    ))}
                </div>
                <Refused error={options.error ?? observe.error} />
                {data && (
                    <>
                        <div className="mt-2 grid gap-3 sm:grid-cols-2">
                            <Option title="Mend it now" leans={data.leansToMend} minutes={data.mendMinutes} money={data.mendMoney} />
                            <Option title="Make safe, list, come back" leans={!data.leansToMend} minutes={data.listMinutes} money={data.listMoney} />
                        </div>
                        <ul className="mt-2 list-disc pl-5 text-sm">
                            {data.because.map((words) => (
                                <li key={words}>{words}</li>
                            ))}
                        </ul>
                    </>
                )}
                <label className="mt-2 block font-bold">
                    Reason, as it will stand on the record
                    <input className={`${inputLook} font-normal`} maxLength={500} value={reason} onChange={(event) => setReason(event.target.value)} />
                </label>
                <div className="mt-2 grid grid-cols-2 gap-2">
                    <label className="block text-sm">
                        Who agrees
                        <input className={inputLook} maxLength={200} value={who} onChange={(event) => setWho(event.target.value)} />
                    </label>
                    <label className="block text-sm">
                        How
                        <input className={inputLook} maxLength={200} placeholder="at the door, by telephone" value={how} onChange={(event) => setHow(event.target.value)} />
                    </label>
                </div>
                <div className="mt-2 flex flex-wrap gap-3">
                    <Button disabled={observe.isPending || reason.trim() === '' || who.trim() === '' || how.trim() === ''} onClick={() => decide('mend')}>
                        Mend, as agreed
                    </Button>
                    <Button disabled={observe.isPending || reason.trim() === ''} onClick={() => decide('list')}>
                        Make safe and list
                    </Button>
                </div>
            </details>
        </section>
    );
}

function Option({ title, leans, minutes, money }: { title: string; leans: boolean; minutes: number; money: number }) {
    return (
        <div className={`bg-sheet p-3 ${leans ? 'border-2 border-ink' : 'border border-line'}`}>
            <h3 className="font-bold">
                {title}
                {leans && <span className="font-normal"> – the rule leans here</span>}
            </h3>
            <p>
                <span className="font-mono text-lg font-bold">{Math.round(minutes)}</span> min, <span className="font-mono text-lg font-bold">{money.toFixed(2)}</span> money
            </p>
        </div>
    );
}
