import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Refused } from '../ui/parts';
import { Choice } from './Choice';
import { say } from '../words';
import { Legs } from './Legs';

type Operation = Schemas['Act']['operation'];

interface Props {
    controls: Schemas['ControlView'][];
    legs?: Schemas['LegView'][];
    colours: Schemas['MapView']['colours'];
    callId: string;
}

/** What can be switched, plugged in or lifted at the point chosen on the map. */
export function Here({ controls, legs = [], colours, callId }: Props) {
    const observe = useObserve(callId);
    return (
        <div className="grid w-full grid-cols-[repeat(auto-fill,minmax(min(100%,19rem),1fr))] gap-x-8 gap-y-1">
            {controls
                .filter((control) => control.operation !== 'joint')
                .map((control) => (
                    <Choice key={control.operation + control.subject} name={control.name} value={control.value} options={control.options} onPick={(value) => observe.mutate({ kind: 'done', payload: { changes: [{ operation: control.operation as Operation, subject: control.subject, value }] } })} />
                ))}
            {legs.length > 0 && (
                <div className="col-span-full">
                    <p className="text-sm font-bold">▲ {say('legs.caution')}</p>
                    <Legs legs={legs} controls={controls} colours={colours} callId={callId} />
                </div>
            )}
            <Refused error={observe.error} />
        </div>
    );
}
