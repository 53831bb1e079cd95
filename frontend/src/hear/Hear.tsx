import { Field, Label, Textarea } from '@headlessui/react';
import { useMemo, useState, type FormEvent } from 'react';
import { Link } from 'react-router';
import type { Detail } from '../api/client';
import { useMap, useObserve, usePicks } from '../api/hooks';
import { Button, clock, day, inputLook, Pick, Refused, useDraft } from '../ui/parts';

/** The complaint and its history: what was told and seen, by whom and when. Late things can be added any time. */
export function Hear({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const picks = usePicks();
    const [text, setText] = useDraft(`${detail.call.id}.told`);
    const [symptom, setSymptom] = useState('');
    const [context, setContext] = useState('');
    const [finding, setFinding] = useState('');
    const [place, setPlace] = useState('');
    const map = useMap(detail.call.id, detail.call.houseId !== null);
    const places = useMemo(() => [...new Map((map.data?.ways ?? []).flatMap((way) => way.stops).map((stop) => [stop.place, { slug: stop.place, words: stop.name }])).values()], [map.data]);
    const [source, setSource] = useState<'told' | 'seen'>('told');
    const words = (list: { slug: string; words: string }[] | undefined, slug: unknown) => list?.find((pick) => pick.slug === slug)?.words;
    const submit = (event: FormEvent) => {
        event.preventDefault();
        const payload = source === 'seen' ? { text, ...(finding === '' ? {} : { finding }), ...(place === '' ? {} : { place }) } : { text, ...(symptom === '' ? {} : { symptom }), ...(context === '' ? {} : { context }) };
        observe.mutate({ kind: source, payload }, {
            onSuccess: () => {
                setText('');
                setSymptom('');
                setContext('');
                setFinding('');
                setPlace('');
            },
        });
    };
    const story = detail.observations.filter((each) => each.kind === 'told' || each.kind === 'seen');
    return (
        <main className="mx-auto grid max-w-5xl gap-8 px-4 py-6 md:grid-cols-[1fr_22rem]">
            <section>
                <h2 className="text-soft">Complaint, {day(detail.call.openedAt)}</h2>
                <p className="mt-1 mb-6 text-2xl leading-snug break-words">“{detail.call.complaint}”</p>
                {story.length === 0 && <p className="text-soft">Nothing written down yet. Ask what happens, when, since when, and what else happened just before.</p>}
                <ol className="space-y-4">
                    {story.map((each) => (
                        <li key={each.id} className="border-l-2 border-line pl-3">
                            <p className="text-sm text-soft">
                                {each.kind === 'told' ? 'Told' : 'Seen'} {clock(each.at)}, written by {each.by}
                            </p>
                            <p className="break-words">{String(each.payload.text)}</p>
                            <p className="text-sm font-bold">
                                {[words(picks.data?.symptoms, each.payload.symptom), words(picks.data?.contexts, each.payload.context), words(picks.data?.findings, each.payload.finding), words(places, each.payload.place)].filter(Boolean).join(' · ')}
                            </p>
                        </li>
                    ))}
                </ol>
            </section>
            <form className="space-y-4 self-start border border-line bg-sheet p-4" onSubmit={submit}>
                <fieldset>
                    <legend className="mb-1 font-bold">Add what was</legend>
                    {(['told', 'seen'] as const).map((each) => (
                        <label key={each} className="mr-6 inline-flex min-h-11 items-center gap-2">
                            <input type="radio" className="size-5 accent-(--ink)" name="source" checked={source === each} onChange={() => setSource(each)} />
                            {each === 'told' ? 'told' : 'seen or smelt'}
                        </label>
                    ))}
                </fieldset>
                <Field>
                    <Label className="mb-1 block font-bold">In plain words</Label>
                    <Textarea className={inputLook} rows={4} required maxLength={2000} value={text} onChange={(event) => setText(event.target.value)} />
                </Field>
                {source === 'told' && (
                    <>
                        <Pick label="What happens" value={symptom} onChange={setSymptom} empty="Nothing to pick" options={picks.data?.symptoms ?? []} />
                        <Pick label="Just before" value={context} onChange={setContext} empty="Nothing to pick" options={picks.data?.contexts ?? []} />
                    </>
                )}
                {source === 'seen' && (
                    <>
                        <Pick label="What it is" value={finding} onChange={setFinding} empty="Nothing of the list" options={picks.data?.findings ?? []} />
                        {places.length > 0 && <Pick label="Where" value={place} onChange={setPlace} empty="Not at one place" options={places} />}
                        <p className="text-sm text-soft">What is picked makes causes at that place likelier; plain words alone are kept for the record.</p>
                    </>
                )}
                <Refused error={observe.error} />
                <Button type="submit" disabled={observe.isPending}>
                    {observe.isPending ? 'Storing …' : 'Add'}
                </Button>
                <p>
                    <Link className="inline-flex min-h-11 items-center border-2 border-ink bg-probe px-4 font-bold text-[#16243b]" to={`/calls/${detail.call.id}/trace`}>
                        On to covers-on tests
                    </Link>
                </p>
            </form>
        </main>
    );
}
