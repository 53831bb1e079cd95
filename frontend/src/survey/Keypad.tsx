import type { Schemas } from '../api/client';
import type { Act, Entry } from './sheet';

/** What a way may feed, each with its letter; a tap fills the way that stands next. */
export function Keypad({ lists, entry, act }: { lists: Schemas['SurveyListsView']; entry: Entry; act: (act: Act) => void }) {
    return (
        <div className="sticky top-0 z-10 mb-3 border-b border-ink bg-paper py-2">
            <p className="mb-1 text-sm text-soft">
                Way {entry.cursor + 1} feeds
            </p>
            <div className="grid grid-cols-3 gap-1 sm:flex sm:flex-wrap sm:gap-1.5">
                {lists.feeds.map((feeds) => (
                    <Tile key={feeds.slug} letter={feeds.key} words={feeds.words} onTap={() => act({ do: 'feed', feeds })} />
                ))}
                <Tile letter="-" words="Spare" onTap={() => act({ do: 'spare' })} />
                <Tile letter="." words="Blank" onTap={() => act({ do: 'blank' })} />
            </div>
        </div>
    );
}

function Tile({ letter, words, onTap }: { letter: string; words: string; onTap: () => void }) {
    return (
        <button type="button" onClick={onTap} className="flex min-h-11 items-center rounded-sm border border-ink bg-sheet pr-2.5 pl-1.5 text-left text-sm leading-tight">
            <kbd aria-hidden="true" className="mr-1.5 min-w-5 border max-sm:hidden border-line text-center font-mono text-xs font-bold uppercase">
                {letter}
            </kbd>
            {words}
        </button>
    );
}
