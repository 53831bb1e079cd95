import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { Button, inputLook, Pick } from '../ui/parts';
import { say } from '../words';
import { DeadTest } from './DeadTest';
import { Locking } from './Locking';
import { Reference } from './Reference';
import { Ticks } from './Ticks';

type Step = Schemas['IsolationStep'];

interface Props {
    detail: Detail;
    step: Step['step'];
    place: { id: string; name: string } | null;
    level: NonNullable<Step['level']>;
    scope: Schemas['ScopeView'] | undefined;
    busy: boolean;
    onTaken: (payload: Step) => void;
}

/** What one step of isolation asks to be said, so that the record holds what was in fact done. */
export function StepForm({ detail, step, place, level, scope, busy, onTaken }: Props) {
    const hasHouse = detail.call.houseId !== null;
    const where = place === null ? {} : { place: place.id };
    if (hasHouse && (place === null || !scope) && ['reference', 'loads', 'off', 'dead'].includes(step)) {
        return <p className="w-full font-bold">{say('safe.choose-place')}</p>;
    }
    if (!hasHouse || !scope || place === null) {
        return step === 'dead' ? <p className="w-full font-bold">{say('safe.no-house')}</p> : <InWords key={step} step={step} busy={busy} onTaken={onTaken} />;
    }
    switch (step) {
        case 'reference':
            return <Reference key={place.id} pairs={scope.pairs} place={place.name} busy={busy} onRead={(tried) => onTaken({ step, ...where, tried })} />;
        case 'loads':
            return <Ticks key={place.id} legend={say('safe.loads')} devices={scope.loads} asked={scope.loads} none={say('safe.no-loads')} busy={busy} onDone={(off) => onTaken({ step, off })} />;
        case 'off':
            return <Ticks key={place.id + level} legend={say('safe.opened')} devices={[...scope.before, ...scope.off]} asked={scope.off} none={say('safe.no-points')} busy={busy} onDone={(switched) => onTaken({ step, ...where, level, switched })} />;
        case 'lock':
            return <Locking callId={detail.call.id} points={detail.isolation.points} busy={busy} onLocked={(locks) => onTaken({ step, locks })} />;
        case 'dead':
            return <DeadTest key={place.id} pairs={scope.pairs} busy={busy} onTried={(tried, opened) => onTaken({ step, ...where, tried, opened })} />;
        default:
            return <InWords key={step} step={step} busy={busy} onTaken={onTaken} />;
    }
}

const ASKED: Partial<Record<Step['step'], string>> = { warn: 'safe.warned', sources: 'safe.found-sources' };

/** A step that is said in words, or by what the indicator was proved on. */
function InWords({ step, busy, onTaken }: Pick<Props, 'step' | 'busy' | 'onTaken'>) {
    const [text, setText] = useState('');
    const [on, setOn] = useState<NonNullable<Step['on']>>('proving-unit');
    const asked = ASKED[step];
    const isTester = step === 'tester-before' || step === 'tester-after';
    return (
        <form
            className="flex w-full flex-wrap items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                onTaken({ step, ...(isTester ? { on } : {}), ...(text.trim() === '' ? {} : { text }) });
            }}
        >
            {asked !== undefined && (
                <label className="min-w-52 flex-1 text-sm font-bold">
                    {say(asked)}
                    <input className={`${inputLook} font-normal`} maxLength={200} value={text} onChange={(event) => setText(event.target.value)} />
                </label>
            )}
            {isTester && (
                <div className="min-w-52">
                    <Pick label={say('safe.proved-on')} value={on} onChange={(source) => source !== '' && setOn(source)} options={[{ slug: 'proving-unit', words: say('safe.proving-unit') }, { slug: 'known-live', words: say('safe.known-live') }]} />
                </div>
            )}
            <Button type="submit" look="next" disabled={busy}>
                {say('safe.done')}
            </Button>
        </form>
    );
}
