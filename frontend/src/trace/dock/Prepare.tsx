import { useState } from 'react';
import { Link } from 'react-router';
import type { Detail } from '../../api/client';
import { useSend } from '../../api/hooks';
import { Key } from '../../call/DangerNow';
import { useKeys } from '../../ui/keys';
import { Button, inputLook, Modal } from '../../ui/parts';
import { say } from '../../words';
import { Part } from '../Part';
import { holds, together, type Plan, type Step } from '../preparation';
import { Frame, neutralLook, Yellow } from './Frame';
import { Hazard } from './Hazard';

interface Props {
    detail: Detail;
    plan: Plan;
    /** Whether it has to be made safe first, as the house stands now. */
    needsIsolation: boolean;
    /** The house as this device has it. */
    state: Detail['state'];
    onPlan: (plan: Plan) => void;
    /** Steps that were done; the plan is over when they were the last. */
    onDone: (steps: Step[]) => void;
    /** A step is taken back. */
    onBack: (step: Step) => void;
    /** All that is open was left out: the reading is taken as the house stands. */
    onOver: () => void;
    onOther: () => void;
}

/** What has to be done before a test can be read: every step in sight, confirmed one by one, or those left together. */
export function Prepare({ detail, plan, needsIsolation, state, onPlan, onDone, onBack, onOver, onOther }: Props) {
    const [parting, setParting] = useState<Step | null>(null);
    const [leaving, setLeaving] = useState<Step | null>(null);
    const { test } = plan;
    const steps = test.changes.map((step, at) => ({ ...step, number: at + 1, isDone: holds(step, state), isOut: plan.leftOut.includes(step.subject) }));
    const open = steps.filter((step) => !step.isDone && !step.isOut);
    const next = open[0];
    const all = together(open);
    const confirm = (wanted: Step[]) => {
        const first = wanted[0];
        if (first === undefined) {
            onOver();
        } else if (first.clampFirst !== null) {
            setParting(first);
        } else {
            onDone(wanted);
        }
    };
    useKeys({
        Enter: () => !needsIsolation && confirm(next ? [next] : []),
        'Shift+Enter': () => !needsIsolation && all.length > 1 && onDone(all),
        x: () => next && setLeaving(next),
        Escape: onOther,
    });
    return (
        <Frame
            detail={detail}
            side={
                <>
                    <Hazard words={test.hazard} />
                    <p className="mt-1 text-sm text-soft compact:hidden">{say('prepare.note')}</p>
                    <p className="mt-1 flex flex-wrap gap-x-4">
                        {next && (
                            <button type="button" className="min-h-11 underline underline-offset-4" onClick={() => setLeaving(next)}>
                                {say('prepare.leave-out', { number: next.number })}
                                <Key of="X" />
                            </button>
                        )}
                        <button type="button" className="min-h-11 underline underline-offset-4" onClick={onOther}>
                            {say('prepare.other')}
                            <Key of="Esc" />
                        </button>
                    </p>
                </>
            }
            neutral={
                all.length > 1 && !needsIsolation ? (
                    <button type="button" className={neutralLook} onClick={() => onDone(all)}>
                        {say('prepare.all', { count: all.length })}
                    </button>
                ) : undefined
            }
            yellow={
                needsIsolation ? (
                    <Link data-yellow className="flex h-14 w-full items-center justify-center rounded-sm border-2 border-ink bg-probe px-2 text-center text-lg leading-tight font-bold text-[#16243b] wide:h-16 wide:w-[164px]" to={`/calls/${detail.call.id}/make-safe`}>
                        {say('prepare.make-safe')}
                    </Link>
                ) : (
                    <Yellow hotkey="Enter" onClick={() => confirm(next ? [next] : [])}>
                        {next === undefined ? say('prepare.go') : next.clampFirst === null ? say('prepare.done', { number: next.number }) : say('prepare.clamp', { number: next.number })}
                    </Yellow>
                )
            }
        >
            <h2 className="line-clamp-2 leading-tight font-bold" title={test.words}>
                {test.words}
            </h2>
            <p className="text-sm text-soft">{say('prepare.count', { done: steps.length - open.length, count: steps.length })}</p>
            <ol aria-label={say('prepare.steps')} className="wide:columns-2 wide:gap-3.5">
                {steps.map((step) => (
                    <li key={step.operation + step.subject + step.value} className="break-inside-avoid">
                        <button
                            type="button"
                            disabled={!step.isDone}
                            title={step.isDone ? say('prepare.take-back') : undefined}
                            aria-label={step.isDone ? `${say('prepare.take-back')}: ${step.words}` : undefined}
                            onClick={() => onBack(step)}
                            className={`flex min-h-10 w-full items-center gap-2 border-b px-1 text-left text-sm disabled:cursor-default ${step === next ? 'border-2 border-ink font-bold' : 'border-line'} ${step.isDone || step.isOut ? 'text-soft' : ''}`}
                        >
                            <span aria-hidden="true" className={`flex size-6 shrink-0 items-center justify-center rounded-full border text-sm ${step.isDone ? 'border-ink bg-ink text-paper' : 'border-ink'}`}>
                                {step.isDone ? '✓' : step.number}
                            </span>
                            <span className={`min-w-0 break-words ${step.isOut ? 'line-through' : ''}`}>
                                {step.words}
                                {step.isOut && <span className="sr-only">, {say('prepare.left-out')}</span>}
                            </span>
                        </button>
                    </li>
                ))}
            </ol>
            {parting && (
                <Modal open onClose={() => setParting(null)} title={say('prepare.part')}>
                    <Part
                        callId={detail.call.id}
                        changes={[parting]}
                        onParted={() => {
                            setParting(null);
                            onDone([]);
                        }}
                        onClose={() => setParting(null)}
                    />
                </Modal>
            )}
            {leaving && <LeaveOut detail={detail} step={leaving} onClose={() => setLeaving(null)} onOut={() => onPlan({ ...plan, leftOut: [...plan.leftOut, leaving.subject] })} />}
        </Frame>
    );
}

/** A step is left out: why stays on the record, and the reading is of the house as it stands. */
function LeaveOut({ detail, step, onClose, onOut }: { detail: Detail; step: Step; onClose: () => void; onOut: () => void }) {
    const send = useSend(detail.call.id);
    const [reason, setReason] = useState('');
    return (
        <Modal open onClose={onClose} title={say('prepare.out-title', { step: step.words })}>
            <form
                className="space-y-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    send({ kind: 'seen', payload: { text: say('prepare.out-record', { step: step.words, reason }) } });
                    onOut();
                    onClose();
                }}
            >
                <label className="block font-bold">
                    {say('prepare.out-reason')}
                    <input className={`${inputLook} mt-1 font-normal`} required maxLength={200} value={reason} onChange={(event) => setReason(event.target.value)} />
                </label>
                <p className="text-sm text-soft">{say('prepare.out-note')}</p>
                <Button type="submit" disabled={reason.trim() === ''}>
                    {say('prepare.out')}
                </Button>
            </form>
        </Modal>
    );
}
