import type { ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Modal, Refused } from '../ui/parts';
import { Choice } from './Choice';
import { Here } from './Here';

const SWITCHES = [
    { value: 'on', words: 'on' },
    { value: 'off', words: 'off' },
];
const LOADS = [...SWITCHES, { value: 'out', words: 'out' }];

/** Everything that can be switched, unplugged or lifted, as it stands; each act is an observation with its time. */
export function StatePanel({ map, callId, onClose }: { map: Schemas['MapView']; callId: string; onClose: () => void }) {
    const observe = useObserve(callId);
    const act = (operation: string, subject: string, value: string) => observe.mutate({ kind: 'done', payload: { changes: [{ operation, subject, value }] } });
    return (
        <Modal open onClose={onClose} title="State of the house">
            <p className="mb-3 text-soft">Tap what you have done. Every reading keeps the state it was taken in. What is at one point is also below the map when you tap that point.</p>
            <Refused error={observe.error} />
            <Group title="Board">
                {map.main && <Choice name="Main switch" value={map.mainOn ? 'on' : 'off'} options={SWITCHES} onPick={(value) => act('set', map.main ?? '', value)} caution={map.mainOn ? 'Before you open it: warn the people, make safe.' : 'Before you close it: nothing lifted, no links, people told.'} />}
                {map.ways.map((way) => (
                    <Choice key={way.circuit} name={way.name} value={way.on ? 'on' : 'off'} options={SWITCHES} onPick={(value) => act('set', way.device, value)} />
                ))}
            </Group>
            <Group title="Wall switches">
                <Here controls={map.switches} callId={callId} />
            </Group>
            <Group title="Loads and lamps">
                {map.loads.map((each) => (
                    <Choice key={each.id} name={each.name} value={each.state} options={LOADS} onPick={(value) => act('load', each.id, value)} />
                ))}
            </Group>
            <Group title="Neutrals and earths at the board">
                <Here controls={map.ways.flatMap((way) => way.controls)} callId={callId} />
            </Group>
            {map.links.length > 0 && (
                <Group title="Test links">
                    {map.links.map((link) => (
                        <p key={link.a + link.b} className="flex flex-wrap items-center justify-between gap-3">
                            {link.words}
                            <Button disabled={observe.isPending} onClick={() => act('unlink', link.a, link.b)}>
                                Taken off
                            </Button>
                        </p>
                    ))}
                </Group>
            )}
        </Modal>
    );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
    return (
        <section className="mb-4">
            <h3 className="mb-1 border-b border-ink font-bold">{title}</h3>
            <div className="space-y-1">{children}</div>
        </section>
    );
}
