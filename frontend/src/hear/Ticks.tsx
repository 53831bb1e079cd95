interface Option {
    id: string;
    words: string;
}

interface Props {
    title: string;
    /** With a heading each, or one without. */
    groups: { name: string; options: Option[] }[];
    chosen: string[];
    onChange: (chosen: string[]) => void;
}

/** Things of the house to be ticked, folded until somebody wants them. */
export function Ticks({ title, groups, chosen, onChange }: Props) {
    const toggle = (id: string) => onChange(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id]);
    const names = groups.flatMap((group) => group.options.filter((option) => chosen.includes(option.id)).map((option) => option.words));
    return (
        <details className="border border-line px-3">
            <summary className="min-h-11 cursor-pointer py-2.5 font-bold">
                {title}
                {names.length > 0 && <span className="font-normal">: {[...new Set(names)].join(', ')}</span>}
            </summary>
            <div className="max-h-72 space-y-2 overflow-y-auto pb-3">
                {groups.map((group) => (
                    <fieldset key={group.name}>
                        <legend className={group.name === title ? 'sr-only' : 'text-sm font-bold'}>{group.name}</legend>
                        <div className="flex flex-wrap gap-x-4">
                            {group.options.map((option) => (
                                <label key={option.id + option.words} className="flex min-h-11 items-center gap-2">
                                    <input type="checkbox" className="size-5 accent-(--ink)" checked={chosen.includes(option.id)} onChange={() => toggle(option.id)} />
                                    {option.words}
                                </label>
                            ))}
                        </div>
                    </fieldset>
                ))}
            </div>
        </details>
    );
}
