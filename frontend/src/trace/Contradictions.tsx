import type { Schemas } from '../api/client';

/** Readings that cannot be true together with the others: the oddest first, with what would explain it. */
export function Contradictions({ odd }: { odd: Schemas['ContradictionView'][] }) {
    if (odd.length === 0) {
        return null;
    }
    return (
        <section aria-labelledby="contradictions" className="border-2 border-ink p-3">
            <h2 id="contradictions" className="font-bold">
                {odd.length === 1 ? 'One reading does not go with the rest' : `${odd.length} readings do not go with the rest`}
            </h2>
            <ul className="mt-1 space-y-2 text-sm">
                {odd.map((each) => (
                    <li key={each.observation}>
                        <span className="font-bold">{each.where}.</span> {each.words}
                    </li>
                ))}
            </ul>
        </section>
    );
}
