import type { Schemas } from '../api/client';

interface Props {
    outcomes: Schemas['OutcomeView'][];
    title: string;
    /** The range of this house on their scale. */
    house: { from: number | null; to: number | null } | null;
    /** What is typed and not stored: which of them it is, and where. */
    glance?: Schemas['GlanceView'] | undefined;
}

/** What a tester may show: the ranges on one scale, and a line each with its share. */
export function Outcomes({ outcomes, title, house, glance }: Props) {
    const drawn = outcomes.filter((each) => each.from !== null && each.to !== null);
    const x = (share: number) => 4 + share * 372;
    return (
        <>
            {title !== '' && <h3 className="text-sm font-bold">{title}</h3>}
            {drawn.length > 0 && (
                <svg viewBox="0 0 380 26" className="block h-[26px] w-full compact:hidden" aria-hidden="true" preserveAspectRatio="none">
                    <path d="M4 20H376M4 15V25M376 15V25" className="stroke-current" strokeWidth={1} />
                    {house !== null && house.from !== null && house.to !== null && <rect x={x(house.from)} y={11} width={Math.max(4, x(house.to) - x(house.from))} height={14} className="fill-sheet stroke-current" strokeWidth={2} />}
                    {drawn.map((each, at) => (
                        <path key={each.shows + each.cause} d={`M${x(each.from ?? 0)} ${4 + at * 4}H${Math.max(x(each.to ?? 0), x(each.from ?? 0) + 3)}`} className={at === (glance?.outcome ?? -1) ? 'stroke-ink' : 'stroke-soft'} strokeWidth={3} />
                    ))}
                    {glance?.at != null && <path d={`M${x(glance.at)} 2V26`} className="stroke-ink" strokeWidth={3} />}
                </svg>
            )}
            <dl className="text-sm">
                {outcomes.map((outcome, at) => (
                    <div key={outcome.shows + outcome.cause} className={`grid grid-cols-[7.5rem_1fr_auto] gap-x-2 border-b border-line px-1 py-0.5 last:border-0 ${glance?.outcome === at ? 'bg-ink text-paper' : ''}`}>
                        <dt className="font-mono font-bold">{outcome.range === '' ? outcome.shows : outcome.range}</dt>
                        <dd className="min-w-0">{outcome.cause}</dd>
                        <dd className="font-mono font-bold whitespace-nowrap">{outcome.shown}</dd>
                    </div>
                ))}
            </dl>
        </>
    );
}
