import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Settle } from '../hear/Settle';
import { Button, clock, inputLook, Pick, Refused, useDraft } from '../ui/parts';
import { say } from '../words';
import { Unrepaired } from './Unrepaired';

type Temporary = Schemas['LedgerEntry'];

const keyOf = (change: Temporary): string => `${change.operation} ${change.subject} ${change.value}`;

/** What is left to do before the call closes: verdicts, what stays unrepaired, advice, and the closing itself. */
export function Finish({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const [advice, setAdvice] = useDraft(`${detail.call.id}.advice`);
    return (
        <section className="no-print mt-8 grid gap-8 md:grid-cols-2">
            {detail.unsettled.length > 0 && (
                <div className="border-l-4 border-doubt pl-3 md:col-span-2">
                    <p className="font-bold text-doubt">▲ Each symptom that was told needs its verdict before the call closes.</p>
                    {detail.record
                        .filter((each) => detail.unsettled.includes(each.id))
                        .map((each) => (
                            <div key={each.id}>
                                <p className="break-words">“{each.words}”</p>
                                <Settle detail={detail} told={each} />
                            </div>
                        ))}
                </div>
            )}
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    observe.mutate({ kind: 'advised', payload: { text: advice } }, { onSuccess: () => setAdvice('') });
                }}
            >
                <label className="block font-bold">
                    Advice to the customer
                    <textarea className={`${inputLook} mt-1 font-normal`} rows={3} required maxLength={2000} value={advice} onChange={(event) => setAdvice(event.target.value)} />
                </label>
                <Refused error={observe.error} />
                <Button type="submit" disabled={observe.isPending}>
                    Add to the record
                </Button>
            </form>
            <Unrepaired detail={detail} />
            <Close detail={detail} />
        </section>
    );
}

/** Handing over: what stands in the way, what stays and why, what danger is gone and by what that is shown. */
function Close({ detail }: { detail: Detail }) {
    const { closing } = detail;
    const observe = useObserve(detail.call.id);
    const [told, setTold] = useDraft(`${detail.call.id}.closing`);
    const [reasons, setReasons] = useState<Record<string, string>>({});
    const [goneBy, setGoneBy] = useState<Record<string, string>>({});
    const [noDanger, setNoDanger] = useState(false);
    const [coversOn, setCoversOn] = useState(false);
    const entries = (ids: string[]) => detail.record.filter((line) => ids.includes(line.id)).map((line) => ({ slug: line.id, words: `${clock(line.at)} ${line.words}` }));
    const close = () =>
        observe.mutate({
            kind: 'closed',
            payload: {
                text: told,
                noDanger,
                coversOn,
                stays: closing.temporary.flatMap((change) => {
                    const reason = reasons[keyOf(change)]?.trim() ?? '';
                    return reason === '' ? [] : [{ operation: change.operation, subject: change.subject, value: change.value, reason }];
                }),
                removed: closing.dangers.flatMap((danger) => {
                    const by = goneBy[danger.id] ?? '';
                    return by === '' ? [] : [{ danger: danger.id, by }];
                }),
            },
        });
    return (
        <form
            aria-label={say('closing.title')}
            className="space-y-3 border-2 border-ink bg-sheet p-4 md:col-span-2"
            onSubmit={(event) => {
                event.preventDefault();
                close();
            }}
        >
            <h2 className="text-xl font-bold">{say('closing.title')}</h2>
            {closing.obstacles.length > 0 && (
                <div className="border-l-4 border-doubt pl-3">
                    <p className="font-bold text-doubt">▲ {say('closing.obstacles')}</p>
                    <ul className="list-disc pl-5">
                        {closing.obstacles.map((obstacle) => (
                            <li key={obstacle}>{obstacle}</li>
                        ))}
                    </ul>
                </div>
            )}
            {closing.temporary.length > 0 && (
                <fieldset className="space-y-2">
                    <legend className="font-bold">{say('closing.temporary')}</legend>
                    {closing.temporary.map((change) => (
                        <label key={keyOf(change)} className="block text-sm">
                            {say('closing.stays', { change: change.words })}
                            <input className={inputLook} maxLength={500} value={reasons[keyOf(change)] ?? ''} onChange={(event) => setReasons({ ...reasons, [keyOf(change)]: event.target.value })} />
                        </label>
                    ))}
                </fieldset>
            )}
            {closing.dangers.length > 0 && (
                <fieldset className="space-y-2">
                    <legend className="font-bold">{say('closing.dangers')}</legend>
                    {closing.dangers.map((danger) => (
                        <div key={danger.id}>
                            <p className="break-words">◆ {danger.words}</p>
                            <Pick label={say('closing.gone-by')} value={goneBy[danger.id] ?? ''} onChange={(by) => setGoneBy({ ...goneBy, [danger.id]: by })} empty={say('closing.not-gone')} options={entries(danger.shownGoneBy)} />
                        </div>
                    ))}
                </fieldset>
            )}
            <label className="flex min-h-11 items-center gap-2">
                <input type="checkbox" className="size-5 accent-(--ink)" checked={noDanger} onChange={() => setNoDanger(!noDanger)} />
                {say('closing.no-danger')}
            </label>
            {closing.wasOpened && (
                <label className="flex min-h-11 items-center gap-2">
                    <input type="checkbox" className="size-5 accent-(--ink)" checked={coversOn} onChange={() => setCoversOn(!coversOn)} />
                    {say('closing.covers')}
                </label>
            )}
            <label className="block font-bold">
                {say('closing.told')}
                <input className={`${inputLook} mt-1 font-normal`} required maxLength={2000} value={told} onChange={(event) => setTold(event.target.value)} />
            </label>
            <Refused error={observe.error} />
            <Button type="submit" look={closing.obstacles.length === 0 ? 'next' : 'plain'} disabled={observe.isPending || closing.obstacles.length > 0}>
                {say('closing.close')}
            </Button>
        </form>
    );
}
