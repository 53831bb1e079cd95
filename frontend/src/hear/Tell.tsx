import { Field, Label, Textarea } from '@headlessui/react';
import { useState, type FormEvent } from 'react';
import type { Detail } from '../api/client';
import { useMap, useObserve, usePicks } from '../api/hooks';
import { Button, inputLook, Pick, Refused, useDraft } from '../ui/parts';
import { say } from '../words';
import { Places } from './Places';

const empty = { symptom: '', context: '', device: '', resets: '' };

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
    // Only what can have shown the symptom: the server says which.
    const devices = (map.data?.levers ?? []).filter((lever) => lever.shows.includes(picked.symptom)).map((lever) => ({ slug: lever.device, words: lever.name }));
    const pick = (key: keyof typeof empty) => (value: string) => setPicked({ ...picked, [key]: value, ...(key === 'symptom' ? { device: '' } : {}) });
    const trips = devices.length > 0;
    const submit = (event: FormEvent) => {
        event.preventDefault();
        const { device, resets, ...rest } = picked;
        const details = { ...rest, when, since, also, ...(trips ? { device, resets, deviceWords: devices.find((each) => each.slug === device)?.words ?? '' } : {}) };
        observe.mutate({ kind: 'told', payload: { text, ...Object.fromEntries(Object.entries(details).filter(([, value]) => value.trim() !== '')), ...(places.length > 0 ? { places } : {}) } }, {
            onSuccess: () => {
                [setText, setWhen, setSince, setAlso].forEach((set) => set(''));
                setPicked(empty);
                setPlaces([]);
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
            <Pick label="What happens" value={picked.symptom} onChange={pick('symptom')} empty="Nothing to pick" options={picks.data?.symptoms ?? []} />
            {map.data && <Places title={say('tell.where')} ways={map.data.ways} chosen={places} onChange={setPlaces} />}
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
