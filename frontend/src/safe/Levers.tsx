import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Line } from '../record/Line';
import { Button, Modal, Pick, Refused } from '../ui/parts';
import { say } from '../words';

type Seen = 'dead' | 'live' | 'unseen';

/** The truth table of the board: each lever opened by itself, and which ways went dead with it, as seen beside as expected. */
export function Levers({ detail, map }: { detail: Detail; map: Schemas['MapView'] }) {
    const [open, setOpen] = useState(false);
    return (
        <section>
            <Button onClick={() => setOpen(true)}>{say('levers.title')}</Button>
            <Modal open={open} onClose={() => setOpen(false)} title={say('levers.title')}>
                <Walk detail={detail} map={map} />
            </Modal>
        </section>
    );
}

function Walk({ detail, map }: { detail: Detail; map: Schemas['MapView'] }) {
    const callId = detail.call.id;
    const observe = useObserve(callId);
    const [device, setDevice] = useState('');
    const [seen, setSeen] = useState<Record<string, Seen>>({});
    const lever = map.levers.find((each) => each.device === device);
    const ways = map.ways.map((way) => ({ id: way.circuit, name: way.name, expected: lever?.behind.includes(way.circuit) === true ? ('dead' as const) : ('live' as const) }));
    const of = (as: Seen) => ways.filter((way) => (seen[way.id] ?? 'unseen') === as);
    const store = () => {
        if (lever) {
            observe.mutate({ kind: 'lever', payload: { device: lever.device, dead: of('dead').map((way) => way.id), live: of('live').map((way) => way.id) } }, {
                onSuccess: () => {
                    setSeen({});
                    setDevice('');
                },
            });
        }
    };
    return (
        <div className="space-y-3">
            <p className="text-soft">{say('levers.intro')}</p>
            {detail.record
                .filter((line) => line.kind === 'lever')
                .map((line) => (
                    <Line key={line.id} call={detail.call} line={line} />
                ))}
            <Pick label={say('levers.pick')} value={device} onChange={setDevice} options={map.levers.map((each) => ({ slug: each.device, words: each.name }))} />
            {lever && (
                <>
                    <table className="w-full text-left text-sm">
                        <thead>
                            <tr>
                                <th className="font-normal text-soft">{say('levers.way')}</th>
                                <th className="font-normal text-soft">{say('levers.expected')}</th>
                                <th className="font-normal text-soft">{say('levers.seen')}</th>
                            </tr>
                        </thead>
                        <tbody>
                            {ways.map((way) => (
                                <tr key={way.id} className="border-t border-line">
                                    <td className="pr-2 break-words">{way.name}</td>
                                    <td className="pr-2">{say(`levers.${way.expected}`)}</td>
                                    <td>
                                        <select aria-label={`${way.name}, ${say('levers.seen')}`} className="min-h-11 border border-ink bg-sheet px-2" value={seen[way.id] ?? 'unseen'} onChange={(event) => setSeen({ ...seen, [way.id]: event.target.value as Seen })}>
                                            {(['unseen', 'dead', 'live'] as const).map((as) => (
                                                <option key={as} value={as}>
                                                    {say(`levers.${as}`)}
                                                </option>
                                            ))}
                                        </select>
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                    <Button look="next" disabled={observe.isPending || of('unseen').length === ways.length} onClick={store}>
                        {say('levers.store')}
                    </Button>
                </>
            )}
            <Refused error={observe.error} />
        </div>
    );
}
