import type { Schemas } from '../../api/client';
import { useObserve } from '../../api/hooks';
import { Button, Refused } from '../../ui/parts';
import { say } from '../../words';

/** What cannot wait for a diagnosis: said before any cause or test, with the act that takes it away. */
export function Dangers({ callId, dangers, mayAct, className }: { callId: string; dangers: Schemas['ImmediateDangerView'][]; mayAct: boolean; className: string }) {
    const observe = useObserve(callId);
    if (dangers.length === 0) {
        return null;
    }
    return (
        <section role="alert" aria-label={say('dangers.title')} className={`border-2 border-bad bg-sheet px-3 py-2 ${className}`}>
            <ul className="space-y-2">
                {dangers.map((danger) => (
                    <li key={danger.words}>
                        <p className="font-bold text-bad">▲ {danger.words}</p>
                        {mayAct && danger.devices.length > 0 && (
                            <Button className="mt-1" disabled={observe.isPending} onClick={() => observe.mutate({ kind: 'done', payload: { changes: danger.devices.map((device) => ({ operation: 'set', subject: device.id, value: 'off' })) } })}>
                                {say('dangers.done', { devices: danger.devices.map((device) => device.name).join(', ') })}
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            <Refused error={observe.error} />
        </section>
    );
}
