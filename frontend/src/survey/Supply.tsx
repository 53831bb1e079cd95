import type { Schemas } from '../api/client';
import type { Act, Sheet } from './sheet';

/** How the house is earthed, from what is seen: ticks that may end in "ambiguous: verify". */
export function Supply({ sheet, lists, drawn, act }: { sheet: Sheet; lists: Schemas['SurveyListsView']; drawn: Schemas['SurveyView'] | undefined; act: (act: Act) => void }) {
    const likeliest = drawn?.earthing[0];
    if (lists.evidence.length === 0) {
        return null;
    }
    return (
        <section aria-label="Supply and earthing">
            <h2 className="border-b border-ink pb-1 font-bold">Supply and earthing: what is seen</h2>
            <p className="mt-1 text-sm">▲ The supply side and the service fuse stay live and are the distributor’s. Look, do not open.</p>
            <ul className="mt-1">
                {lists.evidence.map((each) => (
                    <li key={each.slug}>
                        <label className="flex min-h-11 items-center gap-2 text-sm">
                            <input type="checkbox" className="size-5 shrink-0 accent-(--ink)" checked={sheet.evidence.includes(each.slug)} onChange={() => act({ do: 'tick', slug: each.slug })} />
                            {each.words}
                        </label>
                    </li>
                ))}
            </ul>
            {drawn && (
                <div role="radiogroup" aria-label="Earthing taken as" className="mt-1 flex flex-wrap gap-1.5">
                    {drawn.earthing.map((each) => {
                        const taken = sheet.system === each.arrangement || (sheet.system === '' && each === likeliest);
                        return (
                            <button key={each.arrangement} type="button" role="radio" aria-checked={taken} className={`min-h-11 border px-3 ${taken ? 'border-ink bg-ink font-bold text-paper' : 'border-line bg-sheet'}`} onClick={() => act({ do: 'set', change: { system: sheet.system === each.arrangement ? '' : each.arrangement } })}>
                                {each.arrangement} <span className="font-mono">{each.shown}</span>
                            </button>
                        );
                    })}
                </div>
            )}
        </section>
    );
}
