import type { Schemas } from '../api/client';

interface Props {
    title: string;
    ways: Schemas['WayView'][];
    chosen: string[];
    onChange: (places: string[]) => void;
}

/** Points of the house to be ticked, circuit by circuit: where a complaint shows. */
export function Places({ title, ways, chosen, onChange }: Props) {
    const toggle = (place: string) => onChange(chosen.includes(place) ? chosen.filter((each) => each !== place) : [...chosen, place]);
    const names = ways.flatMap((way) => way.stops.filter((stop) => chosen.includes(stop.place)).map((stop) => stop.name));
    return (
        <details className="border border-line px-3">
            <summary className="min-h-11 cursor-pointer py-2.5 font-bold">
                {title}
                {names.length > 0 && <span className="font-normal">: {[...new Set(names)].join(', ')}</span>}
            </summary>
            <div className="max-h-72 space-y-2 overflow-y-auto pb-3">
                {ways.map((way) => (
                    <fieldset key={way.circuit}>
                        <legend className="text-sm font-bold">{way.name}</legend>
                        <div className="flex flex-wrap gap-x-4">
                            {way.stops.map((stop) => (
                                <label key={stop.part} className="flex min-h-11 items-center gap-2">
                                    <input type="checkbox" className="size-5 accent-(--ink)" checked={chosen.includes(stop.place)} onChange={() => toggle(stop.place)} />
                                    {stop.name}
                                </label>
                            ))}
                        </div>
                    </fieldset>
                ))}
            </div>
        </details>
    );
}
