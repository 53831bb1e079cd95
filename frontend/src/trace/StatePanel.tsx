import { useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Modal, Refused } from '../ui/parts';
import { Part } from './Part';

/** Everything that can be switched, unplugged or lifted, as it stands; each act is an observation with its time. */
export function StatePanel({ map, callId, onClose }: { map: Schemas['MapView']; callId: string; onClose: () => void }) {
    const observe = useObserve(callId);
    const [parting, setParting] = useState('');
    const act = (operation: string, subject: string, value: string) => observe.mutate({ kind: 'done', payload: { changes: [{ operation, subject, value }] } });
    return (
        <Modal open onClose={onClose} title="State of the house">
            <p className="mb-3 text-soft">Tap what you have done. Every reading keeps the state it was taken in.</p>
            <Refused error={observe.error} />
            <Group title="Board">
                {map.main && <Choice name="Main switch" value={map.mainOn ? 'on' : 'off'} options={['on', 'off']} onPick={(value) => act('set', map.main ?? '', value)} caution={map.mainOn ? 'Before you open it: warn the people, make safe.' : 'Before you close it: nothing lifted, no links, people told.'} />}
                {map.ways.map((way) => (
                    <Choice key={way.circuit} name={way.name} value={way.on ? 'on' : 'off'} options={['on', 'off']} onPick={(value) => act('set', way.device, value)} />
                ))}
            </Group>
            <Group title="Wall switches">
                {map.switches.map((each) => (
                    <Choice key={each.id} name={each.name} value={each.twoWay && each.position === 'on' ? '1' : each.position} options={each.twoWay ? ['1', '2'] : ['on', 'off']} onPick={(value) => act('set', each.id, value)} />
                ))}
            </Group>
            <Group title="Loads and lamps">
                {map.loads.map((each) => (
                    <Choice key={each.id} name={each.name} value={each.state} options={['on', 'off', 'out']} onPick={(value) => act('load', each.id, value)} />
                ))}
            </Group>
            <Group title="Neutrals at the board">
                <p className="font-bold">▲ Clamp before you part a neutral, even with its breaker off. Amps forbid it; 0 A does not free it. Parted and refitted only with the whole board dead.</p>
                {map.neutrals.map((each) => (
                    <div key={each.id}>
                        <Choice name={each.name} value={each.lifted ? 'lifted' : 'landed'} options={['landed', 'lifted']} onPick={(value) => (value === 'lifted' ? setParting(each.id) : act('refit', each.id, ''))} />
                        {parting === each.id && !each.lifted && <Part callId={callId} joint={each.id} name={each.name} onClose={() => setParting('')} />}
                    </div>
                ))}
            </Group>
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

function Choice({ name, value, options, onPick, caution }: { name: string; value: string; options: string[]; onPick: (value: string) => void; caution?: string }) {
    return (
        <div className="flex flex-wrap items-center justify-between gap-x-3" role="group" aria-label={name}>
            <span className="min-w-0 flex-1 break-words">
                {name}
                {caution && <span className="block text-sm">▲ {caution}</span>}
            </span>
            <span className="flex">
                {options.map((option) => (
                    <button key={option} type="button" aria-pressed={option === value} onClick={() => option !== value && onPick(option)} className={`min-h-11 min-w-14 border border-ink px-3 ${option === value ? 'bg-ink font-bold text-paper' : 'bg-sheet'}`}>
                        {option}
                    </button>
                ))}
            </span>
        </div>
    );
}
