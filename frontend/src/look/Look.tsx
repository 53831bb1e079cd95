import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useMap, useObserve, usePicks } from '../api/hooks';
import { Button, inputLook, Pick, Refused, useDraft, Waiting } from '../ui/parts';
import { Line } from '../record/Line';
import { shrunk } from './photo';

type Entry = Schemas['LookView'];

const knowings = [
    { slug: 'seen', words: 'seen' },
    { slug: 'measured', words: 'measured' },
    { slug: 'inferred', words: 'inferred' },
    { slug: 'assumed', words: 'assumed' },
] as const;

/** A guided look: area by area through the list of the rule set; what is found gets its place, class, grade and photo. */
export function Look({ detail }: { detail: Detail }) {
    const picks = usePicks();
    const map = useMap(detail.call.id, detail.call.houseId !== null);
    const [open, setOpen] = useState<string | null>(null);
    const [place, setPlace] = useState('');
    const found = detail.record.filter((line) => line.kind === 'seen');
    const standing = new Set(found.filter((line) => line.withdrawn === null).map((line) => line.id));
    const looks = (picks.data?.looks ?? []).filter((look) => look.ruleSets.length === 0 || look.ruleSets.includes(detail.ruleSet));
    const areas = [...new Set(looks.map((look) => look.area))];
    const places = [...new Map((map.data?.ways ?? []).flatMap((way) => way.stops).map((stop) => [stop.place, { slug: stop.place, words: stop.name }])).values()];
    const all = [...(map.data?.boards ?? []).map((board) => ({ slug: board.id, words: board.name })), ...places.filter((each) => map.data?.boards.every((board) => board.id !== each.slug))];
    const placeWords = (slug: unknown) => all.find((each) => each.slug === slug)?.words;
    return (
        <main className="mx-auto grid max-w-6xl gap-8 px-4 py-6 md:grid-cols-[minmax(0,1fr)_20rem]">
            <section className="min-w-0">
                <h2 className="mb-1 text-2xl font-bold">Look, listen, smell</h2>
                <p className="mb-3">▲ Covers stay on until it is made safe. What smells burnt or shows live copper: main off first.</p>
                <div className="mb-3 max-w-sm">{detail.call.houseId !== null && <Pick label="Where you are" value={place} onChange={setPlace} empty="Not at one place" options={all} />}</div>
                <Refused error={picks.error ?? map.error} />
                {picks.isPending && <Waiting what="Fetching what to look for" />}
                {areas.map((area) => (
                    <section key={area} className="mb-4">
                        <h3 className="border-b border-ink pb-0.5 font-bold">{area}</h3>
                        <ul className="divide-y divide-line">
                            {looks
                                .filter((look) => look.area === area)
                                .map((look) => {
                                    const times = detail.observations.filter((each) => standing.has(each.id) && each.payload.look === look.slug).length;
                                    return (
                                        <li key={look.slug}>
                                            <button type="button" aria-expanded={open === look.slug} className="flex min-h-11 w-full items-center gap-2 text-left" onClick={() => setOpen(open === look.slug ? null : look.slug)}>
                                                <span className={`flex-1 ${times > 0 ? 'font-bold' : ''}`}>{look.words}</span>
                                                {times > 0 && <span className="text-sm text-soft">found{times > 1 ? ` ${times} times` : ''}</span>}
                                                <span aria-hidden="true" className="text-soft">
                                                    {open === look.slug ? '−' : '+'}
                                                </span>
                                            </button>
                                            {open === look.slug && <Found look={look} place={place} placeWords={placeWords(place)} detail={detail} onStored={() => setOpen(null)} />}
                                        </li>
                                    );
                                })}
                        </ul>
                    </section>
                ))}
            </section>
            <aside>
                <h2 className="border-b border-ink pb-1 font-bold">Found</h2>
                {found.length === 0 && <p className="pt-2 text-soft">Nothing yet. Tap what you find; what you do not tap was not noted, which is not the same as sound.</p>}
                <ol className="divide-y divide-line">
                    {found.map((line) => (
                        <li key={line.id}>
                            <Line call={detail.call} line={line} />
                        </li>
                    ))}
                </ol>
            </aside>
        </main>
    );
}

function Found({ look, place, placeWords, detail, onStored }: { look: Entry; place: string; placeWords: string | undefined; detail: Detail; onStored: () => void }) {
    const observe = useObserve(detail.call.id);
    const [grade, setGrade] = useState(look.class);
    const [knowing, setKnowing] = useState<(typeof knowings)[number]['slug']>('seen');
    const [text, setText] = useDraft(`${detail.call.id}.look.${look.slug}`);
    const [photo, setPhoto] = useState<string | null>(null);
    const [error, setError] = useState<unknown>(null);
    const store = () =>
        observe.mutate(
            { kind: 'seen', payload: { look: look.slug, class: grade as NonNullable<Schemas['Seen']['class']>, knowing, ...(place === '' ? {} : { place }), ...(text.trim() === '' ? {} : { text }), ...(photo === null ? {} : { photo }) } },
            {
                onSuccess: () => {
                    setText('');
                    onStored();
                },
            },
        );
    return (
        <form
            className="mb-2 space-y-2 border-2 border-ink bg-sheet p-3"
            onSubmit={(event) => {
                event.preventDefault();
                store();
            }}
        >
            <fieldset className="flex flex-wrap gap-1.5">
                <legend className="sr-only">Class</legend>
                {detail.classes.map((each) => (
                    <label key={each.slug} className={`flex min-h-11 cursor-pointer items-center border px-2.5 text-sm has-focus-visible:outline-3 ${grade === each.slug ? 'border-ink bg-ink font-bold text-paper' : 'border-line'}`}>
                        <input type="radio" className="sr-only" name={`class ${look.slug}`} checked={grade === each.slug} onChange={() => setGrade(each.slug)} />
                        {each.words}
                    </label>
                ))}
            </fieldset>
            <fieldset className="flex flex-wrap gap-x-4">
                <legend className="sr-only">How it is known</legend>
                {knowings.map((each) => (
                    <label key={each.slug} className="flex min-h-11 items-center gap-2 text-sm">
                        <input type="radio" className="size-5 accent-(--ink)" name={`knowing ${look.slug}`} checked={knowing === each.slug} onChange={() => setKnowing(each.slug)} />
                        {each.words}
                    </label>
                ))}
            </fieldset>
            <label className="block text-sm font-bold">
                More, in words (may stay empty)
                <input className={`${inputLook} font-normal`} maxLength={500} value={text} onChange={(event) => setText(event.target.value)} />
            </label>
            <label className="flex min-h-11 cursor-pointer items-center gap-2 text-sm underline underline-offset-4 focus-within:outline-3">
                {photo === null ? 'Take or choose a photo' : 'Another photo'}
                <input
                    className="sr-only"
                    type="file"
                    accept="image/*"
                    capture="environment"
                    onChange={(event) => {
                        const file = event.target.files?.[0];
                        if (file) {
                            setError(null);
                            shrunk(file).then(setPhoto, () => setError(new Error('unreadable')));
                        }
                    }}
                />
            </label>
            {photo !== null && <img className="max-h-32 border border-line" src={photo} alt="The photo to be stored" />}
            {error !== null && <p role="alert">◆ This picture cannot be read. Choose a JPEG, PNG or WebP.</p>}
            <Refused error={observe.error} />
            <div className="flex flex-wrap items-center gap-3">
                <Button type="submit" look="next" disabled={observe.isPending}>
                    {observe.isPending ? 'Storing …' : `Found${placeWords === undefined ? '' : ` at ${placeWords}`}`}
                </Button>
                <span className="text-sm text-soft">{look.weighs ? 'Makes causes there likelier.' : 'For the record; weighs on no cause.'}</span>
            </div>
        </form>
    );
}
