import type { ReactNode } from 'react';
import type { Detail, Schemas } from '../../api/client';
import { Key } from '../../call/DangerNow';
import { useKeys } from '../../ui/keys';
import { Button, Modal } from '../../ui/parts';
import { say } from '../../words';
import { useState } from 'react';
import { Outcomes } from '../Outcomes';
import { Frame, Yellow } from './Frame';
import { Hazard } from './Hazard';

type Test = Schemas['NextTestView'];

interface Props {
    detail: Detail;
    next: Schemas['AdviceView'] | undefined;
    /** What is worked out, or what is waited for; empty when nothing is. */
    progress: ReactNode;
    onSetUp: (test: Test, forced?: string[]) => void;
    onOther: () => void;
}

/** The test worth most for its time, two others beside it, and the way to any other. */
export function Choose({ detail, next, progress, onSetUp, onOther }: Props) {
    const best = next?.tests[0];
    const others = (next?.tests.slice(1) ?? []).filter((test) => test.worth !== 'nothing').slice(0, 2);
    const [bringing, setBringing] = useState(false);
    useKeys({
        n: () => best && onSetUp(best),
        1: () => others[0] && onSetUp(others[0]),
        2: () => others[1] && onSetUp(others[1]),
        '/': onOther,
    });
    return (
        <Frame
            detail={detail}
            side={best && <Outcomes outcomes={best.outcomes} title={say('choose.may-show')} house={null} />}
            yellow={
                best ? (
                    <Yellow hotkey="N" onClick={() => onSetUp(best)}>
                        {say('choose.set-up')}
                    </Yellow>
                ) : (
                    <Yellow hotkey="/" onClick={onOther}>
                        {say('choose.other')}
                    </Yellow>
                )
            }
        >
            <section aria-label={say('choose.next')}>
                {best ? (
                    <>
                        <p className="text-sm text-soft">
                            <strong className="text-ink">{say('choose.next')}</strong> · {price(best)}
                            {best.again !== null && ` · ${say('choose.again', { read: best.again })}`}
                        </p>
                        <h2 className="text-xl leading-tight font-bold">{best.words}</h2>
                        <Hazard words={best.hazard} />
                        {best.losing.length > 0 && <p className="font-bold">▲ {say('choose.losing', { what: best.losing.join(', ') })}</p>}
                    </>
                ) : (
                    progress ?? <p className="py-2">{say('choose.none')}</p>
                )}
            </section>
            <div className="mt-1 grid gap-2 sm:grid-cols-3">
                {others.map((test, at) => (
                    <button key={test.id} type="button" className="min-h-14 min-w-0 rounded-sm border border-soft px-2 py-1 text-left leading-tight" onClick={() => onSetUp(test)}>
                        <span className="line-clamp-2 font-bold">
                            {test.words}
                        </span>
                        <span className="text-sm text-soft">
                            {price(test)}
                            <Key of={String(at + 1)} />
                        </span>
                    </button>
                ))}
                <button type="button" className="min-h-14 min-w-0 rounded-sm border border-soft px-2 py-1 text-left leading-tight" onClick={onOther}>
                    <span className="font-bold">
                        {say('choose.other')}
                        <Key of="/" />
                    </span>
                    <span className="block text-sm text-soft">{say('choose.other-where')}</span>
                </button>
            </div>
            {(next?.forcings.length ?? 0) > 0 && (
                <Button look="quiet" className="px-0" onClick={() => setBringing(true)}>
                    {say('force.title')}
                </Button>
            )}
            {best && progress}
            <Modal open={bringing} onClose={() => setBringing(false)} title={say('force.title')}>
                <ul aria-label={say('force.title')} className="divide-y divide-line">
                    {next?.forcings.map((forcing) => (
                        <li key={forcing.by} className="py-2">
                            <p className="font-bold">{forcing.test.words}</p>
                            <p>{say('force.meanwhile', { what: forcing.words })}</p>
                            <p className="text-sm text-soft">{price(forcing)}</p>
                            <p className="text-sm font-bold">▲ {forcing.caution}</p>
                            {forcing.test.hazard !== '' && <p className="text-sm font-bold">▲ {forcing.test.hazard}</p>}
                            <Button
                                className="mt-1"
                                onClick={() => {
                                    setBringing(false);
                                    onSetUp(forcing.test, [forcing.by]);
                                }}
                            >
                                {say('choose.set-up')}
                            </Button>
                        </li>
                    ))}
                </ul>
            </Modal>
        </Frame>
    );
}

/** Minutes, and what it is worth, in words. */
export function price({ minutes, worth }: { minutes: number; worth: string }): string {
    return `${minutes < 1 ? say('minutes.under') : say('minutes', { count: Math.round(minutes) })} · ${say(`worth.${worth}`)}`;
}
