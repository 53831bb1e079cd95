import type { Schemas } from '../api/client';

/** Something with a few states, the one it is in pressed. */
export function Choice({ name, value, options, onPick, caution }: { name: string; value: string; options: Schemas['OptionView'][]; onPick: (value: string) => void; caution?: string | undefined }) {
    return (
        <div className="flex flex-wrap items-center justify-between gap-x-3" role="group" aria-label={name}>
            <span className="min-w-0 flex-1 break-words">
                {name}
                {caution && <span className="block text-sm">▲ {caution}</span>}
            </span>
            <span className="flex">
                {options.map((option) => (
                    <button key={option.value} type="button" aria-pressed={option.value === value} onClick={() => option.value !== value && onPick(option.value)} className={`min-h-11 min-w-14 border border-ink px-3 ${option.value === value ? 'bg-ink font-bold text-paper' : 'bg-sheet'}`}>
                        {option.words}
                    </button>
                ))}
            </span>
        </div>
    );
}
