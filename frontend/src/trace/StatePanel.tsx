import type { ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, Modal, Refused } from '../ui/parts';
import { say } from '../words';
import { Choice } from './Choice';
import { Here } from './Here';
import { Legs } from './Legs';

type Operation = Schemas['Act']['operation'];

const LEVER = [
    { value: 'on', words: say('levers.on') },
    { value: 'off', words: say('levers.off') },
];
const LOADS = [...LEVER, { value: 'out', words: 'out' }];

/** Everything that can be switched, unplugged or lifted, as it stands; each act is an observation with its time. */
export function StatePanel({ map, callId, onClose }: { map: Schemas['MapView']; callId: string; onClose: () => void }) {
    const observe = useObserve(callId);
    const act = (operation: Operation, subject: string, value: string) => observe.mutate({ kind: 'done', payload: { changes: [{ operation, subject, value }] } });
    return (
        <Modal open onClose={onClose} title="State of the house">
            <p className="mb-3 text-soft">Tap what you have done. Every reading keeps the state it was taken in. What is at one point is also below the map when you tap that point.</p>
            <Refused error={observe.error} />
            <Group title="Board">
                {map.levers.map((lever) => (
                    <Lever key={lever.device} lever={lever} onSet={(value) => act('set', lever.device, value)} onTripped={() => observe.mutate({ kind: 'measured', payload: { instrument: 'device-watch', raw: 'trips', connection: { terminals: [], around: lever.watch } } })} />
                ))}
            </Group>
            <Group title="Wall switches">
                <Here controls={map.switches} colours={map.colours} callId={callId} />
            </Group>
            <Group title="Loads and lamps">
                {map.loads.map((each) => (
                    <Choice key={each.id} name={each.name} value={each.state} options={LOADS} onPick={(value) => act('load', each.id, value)} />
                ))}
            </Group>
            <Group title={say('legs.board')}>
                <p className="text-sm font-bold">▲ {say('legs.caution')}</p>
                {map.ways.map((way) => (
                    <section key={way.circuit} className="border-b border-line pb-2 last:border-0">
                        <h4 className="font-bold">{way.name}</h4>
                        <Legs legs={way.legs} controls={way.controls} colours={map.colours} callId={callId} />
                    </section>
                ))}
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

/** A device with a lever: switched by hand, opened by itself, or locked by somebody. */
function Lever({ lever, onSet, onTripped }: { lever: Schemas['LeverView']; onSet: (value: string) => void; onTripped: () => void }) {
    const caution = lever.isMain ? say(lever.on ? 'levers.before-off' : 'levers.before-on') : undefined;
    return (
        <div className="border-b border-line pb-1 last:border-0">
            <Choice name={lever.name} value={lever.on ? 'on' : 'off'} options={LEVER} onPick={onSet} caution={lever.locked === null ? caution : say('levers.locked', { keeper: lever.locked })} />
            {lever.on && lever.watch.length > 0 && (
                <Button look="quiet" className="px-0 text-sm" aria-label={`${lever.name}: ${say('levers.tripped')}`} onClick={onTripped}>
                    {say('levers.tripped')}
                </Button>
            )}
        </div>
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
