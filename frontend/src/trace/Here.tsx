import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Refused } from '../ui/parts';
import { Choice } from './Choice';
import { Part } from './Part';

type Operation = Schemas['Act']['operation'];

/** What can be switched, plugged in or lifted at the point chosen on the map; a neutral or an earth is clamped before it is parted. */
export function Here({ controls, callId }: { controls: Schemas['ControlView'][]; callId: string }) {
    const observe = useObserve(callId);
    const [parting, setParting] = useState('');
    const act = (operation: Operation, subject: string, value: string) => observe.mutate({ kind: 'done', payload: { changes: [{ operation, subject, value }] } });
    return (
        <div className="grid w-full grid-cols-[repeat(auto-fill,minmax(min(100%,19rem),1fr))] gap-x-8 gap-y-1">
            {controls.some((control) => control.operation === 'joint') && <p className="col-span-full text-sm font-bold">▲ Parted and refitted only dead, and proved dead here.</p>}
            {controls.map((control) => (
                <div key={control.operation + control.subject}>
                    <Choice
                        name={control.name}
                        value={control.value}
                        options={control.options}
                        onPick={(value) => {
                            if (control.operation !== 'joint') {
                                act(control.operation as Operation, control.subject, value);
                            } else if (value === 'lift' && control.clampFirst !== null) {
                                setParting(control.subject);
                            } else {
                                act(value as Operation, control.subject, '');
                            }
                        }}
                    />
                    {parting === control.subject && (
                        <Part callId={callId} changes={[{ operation: 'lift', subject: control.subject, value: '', words: control.name, clampFirst: control.clampFirst }]} onParted={() => setParting('')} onClose={() => setParting('')} />
                    )}
                </div>
            ))}
            <Refused error={observe.error} />
        </div>
    );
}
