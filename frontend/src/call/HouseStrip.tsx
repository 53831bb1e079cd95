import { useMemo, useState, type ReactNode } from 'react';
import type { Detail, Schemas } from '../api/client';
import { usePending } from '../api/hooks';
import { PutBack } from '../safe/PutBack';
import { withPending } from '../trace/standing';
import { useKeys } from '../ui/keys';
import { clock } from '../ui/parts';
import { say } from '../words';
import { Key } from './DangerNow';

/** How the house stands, on every stage: live or off, what is proved, what is not put back yet. */
export function HouseStrip({ detail, children, className = '' }: { detail: Detail; children?: ReactNode; className?: string }) {
    const [open, setOpen] = useState(false);
    const pending = usePending();
    const { standing } = detail;
    const mine = useMemo(() => pending.filter((each) => each.callId === detail.call.id && !each.refused), [pending, detail.call.id]);
    const main = standing?.main ?? null;
    const positions = useMemo(() => withPending(detail.state, mine, main).positions as Record<string, string>, [detail.state, mine, main]);
    const many = standing?.temporary.length ?? 0;
    useKeys(many > 0 ? { p: () => setOpen(true) } : {});
    if (!standing) {
        return null;
    }
    const isOn = isLive(standing, positions);
    return (
        <section aria-label={say('strip')} className={`no-print flex min-h-11 shrink-0 items-stretch border-b border-ink bg-sheet wide:h-[46px] ${className}`}>
            <p className={`flex shrink-0 items-center px-3 font-bold ${isOn ? '' : 'bg-ink text-paper'}`}>
                {isOn ? (
                    <>
                        ▲&nbsp;<span className="compact:hidden">{main === null ? say('strip.no-main') : say('strip.live')}</span>
                        <span className="wide:hidden">{say('strip.live-short')}</span>
                    </>
                ) : (
                    `■ ${standing.lockedAt === null ? say('strip.off') : say('strip.locked', { time: clock(standing.lockedAt) })}`
                )}
            </p>
            <p className="flex min-w-0 shrink items-center truncate border-r border-line px-3 text-soft compact:hidden">
                <span className="truncate">{[isOn ? standing.supply : '', proved(detail.proofs)].filter(Boolean).join(' · ')}</span>
            </p>
            <p className="flex min-w-0 flex-1 items-center px-3">
                <span className="truncate">
                    {many === 0 ? (
                        <>
                            <span className="compact:hidden">{say('strip.as-found')}</span>
                            <span className="wide:hidden">{say('strip.no-changes')}</span>
                        </>
                    ) : (
                        <>
                            <strong>{say('strip.temporary', { count: many })}</strong> <span className="text-soft">{summary(standing.temporary)}</span>
                        </>
                    )}
                </span>
            </p>
            {children}
            {many > 0 && (
                <button type="button" className="flex shrink-0 items-center border-l border-line px-3 font-bold underline underline-offset-4" onClick={() => setOpen(true)}>
                    <span className="compact:hidden">{say('strip.put-back')}</span>
                    <span className="wide:hidden" aria-label={say('strip.put-back')}>
                        ▾
                    </span>
                    <Key of="P" />
                </button>
            )}
            <PutBack detail={detail} open={open} onClose={() => setOpen(false)} />
        </section>
    );
}

/** Whether it has to be taken as live: without a main switch always. */
export function isLive(standing: Schemas['StandingView'], positions: Record<string, string>): boolean {
    return standing.main === null || (positions[standing.main] ?? 'on') === 'on';
}

/** Where dead is proved, or that it is no more. */
function proved(proofs: Schemas['ProofView'][]): string {
    const standing = proofs.filter((proof) => proof.stands);
    const last = proofs.at(-1);
    if (standing.length > 0) {
        return say('strip.proved', { places: [...new Set(standing.map((proof) => proof.name))].join(', '), time: clock(standing.at(-1)?.at ?? '') });
    }
    return last === undefined ? say('strip.not-proved') : `▲ ${say('strip.lapsed')}`;
}

/** The main by its name, everything else counted by its kind. */
function summary(temporary: Schemas['Temporary'][]): string {
    const count = (kind: Schemas['Temporary']['kind']) => temporary.filter((each) => each.kind === kind && !each.isMain).length;
    const kinds = (['device', 'load', 'conductor', 'link'] as const).flatMap((kind) => (count(kind) === 0 ? [] : [say(`strip.${kind}`, { count: count(kind) })]));
    return [...(temporary.some((each) => each.isMain) ? [say('strip.main')] : []), ...kinds].join(', ');
}
