import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useMay } from '../session/may';
import { Button } from '../ui/parts';

/** What still fits, likeliest first, with what speaks for and against it and how far it moved with the last reading. */
export function Suspects({ ranking, onAccept, onLook }: { ranking: Schemas['RankingView']; onAccept: (suspect: Schemas['SuspectView']) => void; onLook: (places: string[]) => void }) {
    const may = useMay();
    const before = usePrevious(ranking);
    const leading = ranking.suspects.find((suspect) => suspect.class !== '')?.id;
    return (
        <section aria-label="What still fits">
            <h2 className="border-b border-ink pb-1 font-bold">
                What still fits, after {ranking.readings} {ranking.readings === 1 ? 'reading' : 'readings'}
            </h2>
            <ol className="divide-y divide-line">
                {ranking.suspects.map((suspect) => (
                    <li key={suspect.id} className="py-3">
                        <Disclosure defaultOpen={suspect.id === leading}>
                            <DisclosureButton className="grid w-full grid-cols-[4rem_1fr] text-left" onClick={() => onLook(suspect.places)}>
                                <span className="font-mono text-lg leading-tight font-bold">{suspect.shown}</span>
                                <span className="min-w-0">
                                    <span className="font-bold">{suspect.title}</span> <Moved by={suspect.probability - (before.get(suspect.id) ?? suspect.probability)} />
                                    {suspect.atTimes >= 0.3 && <span className="text-soft"> {suspect.atTimes >= 0.7 ? 'comes and goes' : 'may come and go'}</span>}
                                    <span className="block break-words">{suspect.where[0]}</span>
                                    {suspect.where.length + suspect.moreWhere > 1 && <span className="text-soft">{elsewhere(suspect.alike - 1)}</span>}
                                </span>
                                <span className="col-span-2 mt-1.5 h-1.5 bg-line" aria-hidden="true">
                                    <span className="block h-full bg-ink transition-[width] duration-500" style={{ width: `${100 * suspect.probability}%` }} />
                                </span>
                            </DisclosureButton>
                            <DisclosurePanel className="mt-2 space-y-2 pl-16 text-sm">
                                {suspect.where.length > 1 && <p>Also {suspect.where.slice(1, 4).join('; ')}{suspect.where.length + suspect.moreWhere > 4 ? `; and ${suspect.where.length + suspect.moreWhere - 4} more` : ''}.</p>}
                                <ul className="space-y-1">
                                    {suspect.reasons.slice(0, 5).map((reason) => (
                                        <li key={reason.observation} className="grid grid-cols-[1.2rem_1fr]">
                                            <span aria-hidden="true" className="font-mono font-bold">
                                                {reason.nats > 0 ? '+' : '−'}
                                            </span>
                                            <span>
                                                <span className="sr-only">{reason.nats > 0 ? 'For: ' : 'Against: '}</span>
                                                {reason.sentence}
                                            </span>
                                        </li>
                                    ))}
                                    {suspect.reasons.length === 0 && <li className="text-soft">No reading speaks for or against it yet.</li>}
                                </ul>
                                {suspect.class !== '' && may('accept') && <Button onClick={() => onAccept(suspect)}>Accept this cause</Button>}
                            </DisclosurePanel>
                        </Disclosure>
                    </li>
                ))}
            </ol>
        </section>
    );
}

/** What is said of the places that are not the first. */
function elsewhere(alike: number) {
    return alike < 1 ? 'less likely elsewhere' : `or ${alike} other ${alike === 1 ? 'place' : 'places'} alike so far`;
}

function Moved({ by }: { by: number }) {
    const points = Math.round(100 * by);
    if (points === 0) {
        return null;
    }
    return (
        <span className="font-mono text-sm whitespace-nowrap">
            {points > 0 ? '↑' : '↓'}
            {Math.abs(points)}
            <span className="sr-only"> points {points > 0 ? 'up' : 'down'} with the last reading</span>
        </span>
    );
}

/** The probabilities before the last reading came in. */
function usePrevious(ranking: Schemas['RankingView']): Map<string, number> {
    const now = () => new Map(ranking.suspects.map((suspect) => [suspect.id, suspect.probability]));
    const [seen, setSeen] = useState({ readings: ranking.readings, now: now(), before: new Map<string, number>() });
    if (seen.readings !== ranking.readings) {
        setSeen({ readings: ranking.readings, now: now(), before: seen.now });
    }
    return seen.before;
}
