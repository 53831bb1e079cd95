import { Field, Label, Textarea } from '@headlessui/react';
import { useState, type FormEvent } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useMap, useObserve, usePicks } from '../api/hooks';
import { Button, inputLook, Pick, Refused, useDraft } from '../ui/parts';
import { say } from '../words';
import { Suggested } from './Suggested';
import { Ticks } from './Ticks';

const empty = { symptom: '', context: '', device: '', resets: '', onset: '' };

/** One thing that was told: the customer's words, and what of it can be picked as an event. */
export function Tell({ detail }: { detail: Detail }) {
    const callId = detail.call.id;
    const observe = useObserve(callId);
    const picks = usePicks();
    const map = useMap(callId, detail.call.houseId !== null);
    const [text, setText] = useDraft(`${callId}.told`);
    const [when, setWhen] = useDraft(`${callId}.when`);
    const [since, setSince] = useDraft(`${callId}.since`);
    const [also, setAlso] = useDraft(`${callId}.also`);
    const [picked, setPicked] = useState(empty);
    const [places, setPlaces] = useState<string[]>([]);
    const [running, setRunning] = useState<string[]>([]);
    // Only what can have shown the symptom: the server says which.
    const devices = (map.data?.levers ?? []).filter((lever) => lever.shows.includes(picked.symptom)).map((lever) => ({ slug: lever.device, words: lever.name }));
    const pick = (key: keyof typeof empty) => (value: string) => setPicked({ ...picked, [key]: value, ...(key === 'symptom' ? { device: '' } : {}) });
    const trips = devices.length > 0;
    const take = ({ field, slug, said }: Schemas['SuggestionView']) => {
        if (field === 'running') {
            setRunning(running.includes(slug) ? running.filter((each) => each !== slug) : [...running, slug]);
        } else {
            pick(field)(picked[field] === slug ? '' : slug);
        }
        if (text === '') {
            setText(said);
        }
    };
    const submit = (event: FormEvent) => {
        event.preventDefault();
        const { device, resets, ...rest } = picked;
        const details = { ...rest, when, since, also, ...(trips ? { device, resets, deviceWords: devices.find((each) => each.slug === device)?.words ?? '' } : {}) };
        observe.mutate({ kind: 'told', payload: { text, ...Object.fromEntries(Object.entries(details).filter(([, value]) => value.trim() !== '')), ...(places.length > 0 ? { places } : {}), ...(running.length > 0 ? { running } : {}) } }, {
            onSuccess: () => {
                [setText, setWhen, setSince, setAlso].forEach((set) => set(''));
                setPicked(empty);
                setPlaces([]);
                setRunning([]);
            },
        });
    };
    return (
        <form className="space-y-3 border border-line bg-sheet p-4" onSubmit={submit}>
            <h2 className="font-bold">Add what was told</h2>
            <Field>
                <Label className="mb-1 block font-bold">In plain words</Label>
                <Textarea className={inputLook} rows={3} required maxLength={2000} value={text} onChange={(event) => setText(event.target.value)} />
            </Field>
            <Suggested callId={callId} text={text} isTaken={({ field, slug }) => (field === 'running' ? running.includes(slug) : picked[field] === slug)} onTake={take} />
            <Pick label="What happens" value={picked.symptom} onChange={pick('symptom')} empty="Nothing to pick" options={picks.data?.symptoms ?? []} />
            {map.data && <Ticks title={say('tell.where')} groups={map.data.ways.map((way) => ({ name: way.name, options: way.stops.map((stop) => ({ id: stop.place, words: stop.name })) }))} chosen={places} onChange={setPlaces} />}
            {map.data && map.data.loads.length > 0 && <Ticks title={say('tell.running')} groups={[{ name: say('tell.running'), options: map.data.loads.map((load) => ({ id: load.id, words: load.name })) }]} chosen={running} onChange={setRunning} />}
            <Pick label={say('tell.onset')} value={picked.onset} onChange={pick('onset')} empty="Not known" options={picks.data?.onsets ?? []} />
            {trips && <Pick label="Which device" value={picked.device} onChange={pick('device')} empty="Not known" options={devices} />}
            {trips && <Pick label="How it resets" value={picked.resets} onChange={pick('resets')} empty="Not known" options={picks.data?.resets ?? []} />}
            <Pick label="Just before" value={picked.context} onChange={pick('context')} empty="Nothing to pick" options={picks.data?.contexts ?? []} />
            <div className="grid grid-cols-2 gap-2">
                {(
                    [
                        ['When', when, setWhen],
                        ['Since when', since, setSince],
                    ] as const
                ).map(([words, value, set]) => (
                    <label key={words} className="block text-sm font-bold">
                        {words}
                        <input className={`${inputLook} font-normal`} maxLength={200} value={value} onChange={(event) => set(event.target.value)} />
                    </label>
                ))}
            </div>
            <label className="block text-sm font-bold">
                What else happens then
                <input className={`${inputLook} font-normal`} maxLength={300} value={also} onChange={(event) => setAlso(event.target.value)} />
            </label>
            <Refused error={observe.error ?? picks.error} />
            <Button type="submit" disabled={observe.isPending}>
                {observe.isPending ? 'Storing …' : 'Add'}
            </Button>
        </form>
    );
}
