import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Button } from '../ui/parts';

type Test = Schemas['NextTestView'];

/** The test worth most per minute from the state the house is in, with its price, danger and what each outcome would mean. */
export function NextTest({ next, callId, busy, onSetUp }: { next: Schemas['AdviceView']; callId: string; busy: boolean; onSetUp: (test: Test, forced?: string[]) => void }) {
    const [best, ...others] = next.tests;
    const advice = next.advice === 'test' ? null : (
        <div className="border-l-8 border-ink pl-3">
            <p className="font-bold">{next.words}</p>
            {next.unexplained.length > 0 && (
                <>
                    <p className="mt-1">Nothing on the list explains</p>
                    <ul className="list-disc pl-5">
                        {next.unexplained.map((odd) => (
                            <li key={odd} className="break-words">{odd}</li>
                        ))}
                    </ul>
                </>
            )}
        </div>
    );
    const setUp = (test: Test, look: 'next' | 'plain', forced?: string[]) =>
        test.needsIsolation ? (
            <Link className={`inline-flex min-h-11 items-center border-2 border-ink px-4 font-bold ${look === 'next' ? 'bg-probe text-[#16243b]' : ''}`} to={`/calls/${callId}/make-safe`}>
                Make safe first
            </Link>
        ) : (
            <Button look={look} disabled={busy} onClick={() => onSetUp(test, forced)}>
                {test.changes.length === 0 ? 'Set it up' : 'Done so, set it up'}
            </Button>
        );
    const forcings = next.forcings.length > 0 && <Forcings forcings={next.forcings} setUp={setUp} />;
    if (!best) {
        return advice ? <>{advice}{forcings}</> : <p className="border-l-4 border-line pl-3 text-soft">No further test with the testers to hand would tell much. Look again at the place, ask what differed, or accept what fits.</p>;
    }
    return (
        <>
            {advice}
            {advice && forcings}
            <section aria-label="Next test" className="border-2 border-ink border-l-8 border-l-probe bg-sheet p-3">
                <p className="text-sm text-soft">Next, {minutes(best.minutes)}, worth {best.bits.toFixed(2)} bit</p>
                <h2 className="text-lg leading-snug font-bold">{best.words}</h2>
                <Again read={best.again} />
                {best.hazard !== '' && <p className="mt-1 text-sm font-bold">▲ {best.hazard}</p>}
                {best.losing.length > 0 && <p className="mt-1 text-sm font-bold">▲ Loses its power: {best.losing.join(', ')}. Ask and arrange before you switch.</p>}
                {best.steps.length > 0 && (
                    <ul className="mt-2 list-disc pl-5 text-sm">
                        {best.steps.slice(0, 8).map((step) => (
                            <li key={step}>{step}</li>
                        ))}
                        {best.steps.length > 8 && (
                            <li>
                                <details>
                                    <summary className="min-h-11 cursor-pointer py-2">and {best.steps.length - 8} more</summary>
                                    {best.steps.slice(8).map((step) => (
                                        <p key={step}>{step}</p>
                                    ))}
                                </details>
                            </li>
                        )}
                    </ul>
                )}
                <Outcomes outcomes={best.outcomes} />
                <p className="my-2 text-sm text-soft">Cannot show: {best.cannotShow}</p>
                {setUp(best, 'next')}
                {others.length > 0 && (
                    <details className="mt-3">
                        <summary className="min-h-11 cursor-pointer py-2">Or another</summary>
                        <ul className="divide-y divide-line">
                            {others.map((test) => (
                                <li key={test.id} className="py-2">
                                    <p className="font-bold">{test.words}</p>
                                    <p className="text-sm text-soft">
                                        {minutes(test.minutes)}, {test.bits.toFixed(2)} bit
                                    </p>
                                    <Again read={test.again} />
                                    {test.hazard !== '' && <p className="text-sm">▲ {test.hazard}</p>}
                                    {test.losing.length > 0 && <p className="text-sm">▲ Loses its power: {test.losing.join(', ')}.</p>}
                                    {test.steps.length > 0 && <p className="mb-1 text-sm">{test.steps.slice(0, 4).join(', ')}{test.steps.length > 4 ? `, and ${test.steps.length - 4} more` : ''}</p>}
                                    {setUp(test, 'plain')}
                                </li>
                            ))}
                        </ul>
                    </details>
                )}
            </section>
            {!advice && forcings}
        </>
    );
}

/** What comes and goes was not there when it was looked for: what may bring it out, and what to read while that is done. */
function Forcings({ forcings, setUp }: { forcings: Schemas['ForcingView'][]; setUp: (test: Test, look: 'next' | 'plain', forced?: string[]) => ReactNode }) {
    return (
        <section aria-label="Bring it out" className="border border-ink bg-sheet p-3">
            <h2 className="font-bold">It may only be away: bring it out</h2>
            <ul className="divide-y divide-line">
                {forcings.map(({ by, words, caution, minutes: price, bits, test }) => (
                    <li key={by} className="py-2">
                        <p className="font-bold">{test.words}</p>
                        <p>Meanwhile {words}.</p>
                        <p className="text-sm text-soft">
                            {minutes(price)}, {bits.toFixed(2)} bit
                        </p>
                        <p className="text-sm font-bold">▲ {caution}</p>
                        {test.hazard !== '' && <p className="text-sm font-bold">▲ {test.hazard}</p>}
                        {test.losing.length > 0 && <p className="text-sm">▲ Loses its power: {test.losing.join(', ')}.</p>}
                        {test.steps.length > 0 && <p className="text-sm">{test.steps.slice(0, 4).join(', ')}{test.steps.length > 4 ? `, and ${test.steps.length - 4} more` : ''}</p>}
                        <Outcomes outcomes={test.outcomes} />
                        <div className="mt-2">{setUp(test, 'plain', [by])}</div>
                    </li>
                ))}
            </ul>
        </section>
    );
}

/** A reading that fits nothing is read again before anybody believes it, or doubts the house. */
function Again({ read }: { read: string | null }) {
    return read === null ? null : <p className="mt-1 text-sm">Read it again: it showed {read}, which fits little of what is left.</p>;
}

/** Its whole price, as a person says it. */
export function minutes(price: number): string {
    return price < 1 ? 'under a minute' : `about ${Math.round(price)} min`;
}

export function Outcomes({ outcomes }: { outcomes: Schemas['OutcomeView'][] }) {
    return (
        <dl className="mt-2 text-sm">
            {outcomes.map((outcome) => (
                <div key={outcome.shows} className="grid grid-cols-[6.5rem_1fr] gap-x-3">
                    <dt className="font-mono font-bold">{outcome.shows}</dt>
                    <dd>
                        {outcome.cause} <span className="whitespace-nowrap text-soft">({outcome.shown})</span>
                    </dd>
                </div>
            ))}
        </dl>
    );
}
