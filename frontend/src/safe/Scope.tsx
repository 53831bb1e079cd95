import type { Schemas } from '../api/client';
import { Pick, Waiting } from '../ui/parts';
import type { Level } from './hooks';

interface Props {
    places: { slug: string; words: string }[];
    place: string;
    onPlace: (place: string) => void;
    level: Level;
    onLevel: (level: Level) => void;
    scope: Schemas['ScopeView'] | undefined;
}

const levels: { slug: Level; words: string; for: string }[] = [
    { slug: 'circuit', words: 'Circuit', for: 'line and cpc of a circuit known to share no neutral' },
    { slug: 'board', words: 'Whole board', for: 'parting a neutral or earth, unknown wiring, the cover off' },
];

/** What is to be dead, and what stays live all the same: the first thing to settle. */
export function Scope({ places, place, onPlace, level, onLevel, scope }: Props) {
    return (
        <section aria-label="Scope of the isolation" className="mb-5 border border-line bg-sheet p-4">
            <div className="grid gap-3 sm:grid-cols-2">
                <Pick label="Where the work is" value={place} onChange={onPlace} options={places} />
                <fieldset>
                    <legend className="mb-1 font-bold">What goes off</legend>
                    <div className="flex">
                        {levels.map((each) => (
                            <label key={each.slug} className={`flex min-h-11 cursor-pointer items-center border border-ink px-3 has-focus-visible:outline-3 ${level === each.slug ? 'bg-ink font-bold text-paper' : ''}`}>
                                <input type="radio" className="sr-only" name="level" checked={level === each.slug} onChange={() => onLevel(each.slug)} />
                                {each.words}
                            </label>
                        ))}
                    </div>
                    <p className="mt-1 text-sm text-soft">For {levels.find((each) => each.slug === level)?.for}.</p>
                </fieldset>
            </div>
            {place !== '' && !scope && <Waiting what="Working out what stays live" />}
            {scope && (
                <div className="mt-3 grid gap-x-6 gap-y-2 sm:grid-cols-2">
                    <div>
                        <h3 className="font-bold">Open and lock</h3>
                        <ul>
                            {scope.off.map((device) => (
                                <li key={device.id}>{device.name}</li>
                            ))}
                        </ul>
                    </div>
                    <div>
                        <h3 className="font-bold">Stays live all the same</h3>
                        <ul className="space-y-1 text-sm">
                            {[...scope.warns, ...scope.stays].map((words) => (
                                <li key={words}>▲ {words}</li>
                            ))}
                        </ul>
                    </div>
                </div>
            )}
        </section>
    );
}
