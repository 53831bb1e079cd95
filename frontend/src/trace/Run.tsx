import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Button, Mark, Modal, Refused, Waiting } from '../ui/parts';
import { say } from '../words';
import { useRuns } from './runs';

type Member = Schemas['SeriesMemberView'];

interface Props {
    run: Schemas['SeriesView'];
    at: number;
    /** Members whose reading was handed over and is not in the run yet. */
    taken: ReadonlySet<string>;
    /** What has to be done before the member can be read. */
    need: 'nothing' | 'changes' | 'unknown';
    callId: string;
    onGo: (at: number) => void;
    /** The person has done what the state of a member asks for. */
    onSetUp: (member: Member) => void;
    onEnd: () => void;
}

/** A run of readings from point to point: how far it has come, how it spreads, what stands out. */
export function RunStrip({ run, at, taken, need, callId, onGo, onSetUp, onEnd }: Props) {
    const done = run.members.filter((member) => member.raw !== null || taken.has(member.id)).length;
    const member = run.members[at];
    const out = run.members.filter((each) => each.outlier);
    return (
        <section aria-label="Run of readings" className="shrink-0 border-t border-ink bg-sheet px-4 py-1.5">
            <div className="flex flex-wrap items-center gap-x-3">
                <h2 className="min-w-0 flex-1 truncate font-bold" title={run.words}>
                    {run.words}
                </h2>
                <span className="text-sm">
                    <span className="font-mono font-bold">{done}</span> of {run.members.length}
                </span>
                <Button look="quiet" onClick={() => onGo((at + run.members.length - 1) % run.members.length)}>
                    Back
                </Button>
                <Button look="quiet" onClick={() => onGo((at + 1) % run.members.length)}>
                    Next
                </Button>
                <Button look="quiet" onClick={onEnd}>
                    End the run
                </Button>
            </div>
            {run.hazard !== '' && <p className="text-sm font-bold">▲ {run.hazard}</p>}
            <Plot members={run.members} at={at} onGo={onGo} />
            {member && need === 'unknown' && <p className="text-sm text-soft" role="status">{say('run.weighing')}</p>}
            {member && need === 'changes' && (
                <div className="my-1 flex flex-wrap items-center gap-3 border-l-4 border-ink pl-3 text-sm">
                    <span className="min-w-40 flex-1">
                        First: {member.steps.slice(0, 6).join(', ')}
                        {member.steps.length > 6 ? ` and ${member.steps.length - 6} more` : ''}.
                    </span>
                    {member.needsIsolation ? (
                        <Link className="inline-flex min-h-11 items-center border-2 border-ink px-4 font-bold" to={`/calls/${callId}/make-safe`}>
                            Make safe first
                        </Link>
                    ) : (
                        <Button onClick={() => onSetUp(member)}>Done so</Button>
                    )}
                </div>
            )}
            <p className="text-sm" aria-live="polite">
                {member && <strong>{member.words}</strong>}
                {done === run.members.length && ' All taken.'}
                {run.difference && (
                    <details className="inline-block align-top">
                        <summary className="cursor-pointer">
                            {' '}
                            <Mark of={run.difference.verdict} word={run.difference.verdict === 'good' ? 'As it should' : 'Not as it should'} />: {run.difference.sentence}
                        </summary>
                        {run.difference.working}
                    </details>
                )}
                {out.length > 0 && <span className="text-bad"> ◆ Stands out: {out.map((each) => `${each.place} ${each.raw}`).join(', ')}</span>}
            </p>
        </section>
    );
}

const STEP = 34;
const HEIGHT = 54;

/** One column for each point: a stroke where this house should read, a dot where it read, a diamond where that stands out. */
function Plot({ members, at, onGo }: { members: Member[]; at: number; onGo: (at: number) => void }) {
    const y = (share: number) => HEIGHT - 8 - share * (HEIGHT - 16);
    return (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Readings of the run, scrollable">
            <svg width={members.length * STEP} height={HEIGHT} role="group" aria-label="Readings beside what this house should read">
                {members.map((member, index) => (
                    <g
                        key={member.id}
                        role="button"
                        tabIndex={0}
                        aria-label={`${member.place}: ${member.raw === null ? 'not taken' : `read ${member.raw}`}, expected ${member.expected}${member.outlier ? ', stands out' : ''}`}
                        className="cursor-pointer"
                        transform={`translate(${index * STEP} 0)`}
                        onClick={() => onGo(index)}
                        onKeyDown={(event) => {
                            if (event.key === 'Enter' || event.key === ' ') {
                                event.preventDefault();
                                onGo(index);
                            }
                        }}
                    >
                        <rect width={STEP} height={HEIGHT} className={index === at ? 'fill-line' : 'fill-transparent'} />
                        {member.expectedAt !== null && <path d={`M6 ${y(member.expectedAt)}h${STEP - 12}`} className="stroke-soft" strokeWidth={2} />}
                        {member.readAt === null && member.raw !== null && <circle cx={STEP / 2} cy={HEIGHT / 2} r={5} className={member.outlier ? 'fill-bad' : 'fill-ink'} />}
                        {member.readAt !== null &&
                            (member.outlier ? <path d={`M${STEP / 2} ${y(member.readAt) - 7}l7 7-7 7-7-7z`} className="fill-bad" /> : <circle cx={STEP / 2} cy={y(member.readAt)} r={5} className="fill-ink" />)}
                    </g>
                ))}
            </svg>
        </div>
    );
}

/** Which run to begin, or to go on with. */
export function ChooseRun({ callId, wanted: begun, onChoose, onClose }: { callId: string; wanted: string; onChoose: (series: string) => void; onClose: () => void }) {
    const runs = useRuns(callId, true);
    const [wanted, setWanted] = useState(begun);
    const found = (runs.data ?? []).filter((run) => wanted.toLowerCase().split(' ').every((word) => run.words.toLowerCase().includes(word)));
    return (
        <Modal open onClose={onClose} title="A run of readings">
            <label className="block text-sm font-bold">
                Find
                <input className="mb-3 block min-h-11 w-full border border-ink bg-sheet px-3 font-normal" value={wanted} placeholder="loop, insulation, upper floor" onChange={(event) => setWanted(event.target.value)} />
            </label>
            <Refused error={runs.error} />
            {runs.isPending && <Waiting what="Looking through the house" />}
            {runs.data && found.length === 0 && <p>Nothing of that name. Try a tester, a circuit or a point; “two states” for readings of which the difference tells.</p>}
            <ul className="divide-y divide-line">
                {found.slice(0, 40).map((run) => (
                    <li key={run.id}>
                        <button type="button" className="flex min-h-11 w-full items-center justify-between gap-3 text-left" onClick={() => onChoose(run.id)}>
                            <span>{run.words}</span>
                            <span className="font-mono text-sm whitespace-nowrap">
                                {run.done} of {run.count}
                            </span>
                        </button>
                    </li>
                ))}
            </ul>
            {found.length > 40 && <p className="text-sm text-soft">And {found.length - 40} more: type to find them.</p>}
        </Modal>
    );
}
