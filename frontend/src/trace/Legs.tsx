import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Refused } from '../ui/parts';
import { say } from '../words';
import { Part } from './Part';

interface Props {
    legs: Schemas['LegView'][];
    controls: Schemas['ControlView'][];
    colours: Schemas['MapView']['colours'];
    callId: string;
}

/** Each conductor of each cable that ends here, in or out: one tap lifts or refits it, a neutral or an earth once it is clamped. */
export function Legs({ legs, controls, colours, callId }: Props) {
    const observe = useObserve(callId);
    const [parting, setParting] = useState<Schemas['ControlView'] | null>(null);
    const tap = (control: Schemas['ControlView']) => {
        if (control.value === 'lift' || control.clampFirst === null) {
            observe.mutate({ kind: 'done', payload: { changes: [{ operation: control.value === 'lift' ? 'refit' : 'lift', subject: control.subject, value: '' }] } });
        } else {
            setParting(control);
        }
    };
    return (
        <div className="w-full">
            <ul aria-label={say('legs.title')} className="space-y-1">
                {legs.map((leg) => (
                    <li key={leg.conductors[0]?.subject} className="grid grid-cols-[minmax(5rem,8rem)_repeat(auto-fit,minmax(6rem,1fr))] items-center gap-1">
                        <span className="min-w-0 text-sm break-words">{leg.words}</span>
                        {leg.conductors.map(({ role, words, subject }) => {
                            const control = controls.find((each) => each.subject === subject);
                            const isOut = control?.value === 'lift';
                            return (
                                control && (
                                    <button key={subject} type="button" disabled={observe.isPending} aria-pressed={isOut} aria-label={say(isOut ? 'legs.refit' : 'legs.lift', { name: control.name })} onClick={() => tap(control)} className={`flex min-h-11 items-stretch overflow-hidden rounded-sm border bg-sheet text-left text-sm ${isOut ? 'border-2 border-dashed border-ink font-bold' : 'border-ink'}`}>
                                        <span aria-hidden="true" className="conductor w-1.5 shrink-0" style={{ background: (colours as Record<string, string>)[role] }} />
                                        <span className="min-w-0 flex-1 self-center px-1.5">
                                            {isOut && '// '}
                                            {words} {say(isOut ? 'legs.out' : 'legs.in')}
                                        </span>
                                    </button>
                                )
                            );
                        })}
                    </li>
                ))}
            </ul>
            {parting && <Part callId={callId} changes={[{ operation: 'lift', subject: parting.subject, value: '', words: parting.name, clampFirst: parting.clampFirst }]} onParted={() => setParting(null)} onClose={() => setParting(null)} />}
            <Refused error={observe.error} />
        </div>
    );
}
