const FORCING = [
    ['load', 'under load'],
    ['heat', 'warmed up'],
    ['rain', 'wetted'],
    ['vibration', 'tapped, wiggled'],
] as const;

/** What was done meanwhile to bring out a fault that comes and goes. A sound reading then says more. */
export function Forced({ forced, onChange }: { forced: string[]; onChange: (forced: string[]) => void }) {
    return (
        <details className="text-sm">
            <summary className="min-h-11 cursor-pointer py-3">{forced.length === 0 ? 'Read as it is, nothing forced' : `Forced: ${FORCING.filter(([slug]) => forced.includes(slug)).map(([, words]) => words).join(', ')}`}</summary>
            <fieldset className="grid grid-cols-2 gap-x-3">
                <legend className="text-soft">For a fault that comes and goes: what was done while this was read. It stays ticked for the next reading.</legend>
                {FORCING.map(([slug, words]) => (
                    <label key={slug} className="flex min-h-11 items-center gap-2">
                        <input type="checkbox" className="size-5 accent-(--ink)" checked={forced.includes(slug)} onChange={() => onChange(forced.includes(slug) ? forced.filter((each) => each !== slug) : [...forced, slug])} />
                        {words}
                    </label>
                ))}
            </fieldset>
        </details>
    );
}
