import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Detail, Schemas } from '../../api/client';
import { useMay } from '../../session/may';
import { Button } from '../../ui/parts';
import { say } from '../../words';
import { price } from '../dock/Choose';

type Suspect = Schemas['SuspectView'];
type Verb = 'repair' | 'test' | 'safe' | 'leave';

/** Which of the four a kind of advice is. */
const VERBS: Record<Schemas['AdviceView']['advice'], Verb> = { test: 'test', 'look-again': 'test', repair: 'repair', open: 'repair', 'out-of-use': 'repair', swap: 'repair', distributor: 'safe', explain: 'leave', leave: 'leave', done: 'leave' };

/** What to do on the whole: the one advised stands out, the others say why not. */
export function Advice({ detail, next }: { detail: Detail; next: Schemas['AdviceView'] | undefined }) {
    const [asked, setAsked] = useState<Verb | null>(null);
    if (!next) {
        return null;
    }
    const advised = VERBS[next.advice];
    const best = next.tests[0];
    const why: Record<Verb, string> = {
        repair: advised === 'repair' ? next.words : say('advice.repair', { minutes: Math.round(next.lossMinutes) }),
        test: advised === 'test' ? (next.words === '' || next.advice === 'test' ? (best ? say('advice.test', { price: price(best) }) : next.words) : next.words) : best ? say('advice.test-still', { price: price(best) }) : say('advice.no-test'),
        safe: advised === 'safe' ? next.words : say('advice.safe'),
        leave: advised === 'leave' ? next.words : say('advice.leave'),
    };
    const shown = asked ?? advised;
    return (
        <section aria-label={say('advice.title')} className="border-b border-ink pb-1.5">
            {next.asks.length > 0 && (
                <p className="mb-1.5">
                    <strong>{say('advice.ask')}</strong> {next.asks.map((each) => say(`advice.ask.${each}`)).join(' ')}{' '}
                    <Link className="underline underline-offset-4" to={`/calls/${detail.call.id}/hear`}>
                        {say('advice.open-hear')}
                    </Link>
                </p>
            )}
            <div role="group" className="grid grid-cols-4 border border-ink">
                {(['repair', 'test', 'safe', 'leave'] as const).map((verb) => (
                    <button key={verb} type="button" aria-pressed={verb === shown} onClick={() => setAsked(verb)} className={`min-h-11 border-r border-line px-1 leading-tight last:border-r-0 ${verb === advised ? 'bg-ink font-bold text-paper' : verb === shown ? 'font-bold' : ''}`}>
                        {say(`advice.verb.${verb}`)}
                    </button>
                ))}
            </div>
            <p className="mt-1.5">
                <strong>{say(`advice.verb.${shown}`)}.</strong> {why[shown]}{' '}
                {shown === 'safe' && (
                    <Link className="underline underline-offset-4" to={`/calls/${detail.call.id}/make-safe`}>
                        {say('advice.open-safe')}
                    </Link>
                )}
                {(shown === 'leave' || shown === 'repair') && (
                    <Link className="underline underline-offset-4" to={`/calls/${detail.call.id}/put-right`}>
                        {say('advice.open-right')}
                    </Link>
                )}
            </p>
            {next.unexplained.length > 0 && (
                <details className="text-sm">
                    <summary className="min-h-8 cursor-pointer py-1">{say('advice.unexplained')}</summary>
                    <ul className="list-disc pl-5">
                        {next.unexplained.map((odd) => (
                            <li key={odd} className="break-words">{odd}</li>
                        ))}
                    </ul>
                </details>
            )}
        </section>
    );
}

interface Props {
    ranking: Schemas['RankingView'];
    onAccept: (suspect: Suspect) => void;
    onLook: (places: string[]) => void;
    /** Said under the heading while a later reading is weighed. */
    status?: ReactNode;
}

/** What fits, likeliest first: a figure, what speaks for it and what against it; its places on tap. */
export function Ranked({ ranking, onAccept, onLook, status }: Props) {
    const before = usePrevious(ranking);
    const large = ranking.suspects.filter((suspect) => !suspect.isSmall);
    const small = ranking.suspects.filter((suspect) => suspect.isSmall);
    return (
        <section aria-label={say('ranking.title')}>
            <h2 className="pt-1.5 font-bold">{say('ranking.after', { count: ranking.readings })}</h2>
            {status}
            <ol className="divide-y divide-line border-b border-line">
                {large.map((suspect) => (
                    <Cause key={suspect.id} suspect={suspect} before={before.get(suspect.id)} onAccept={onAccept} onLook={onLook} />
                ))}
            </ol>
            <Disclosure>
                <DisclosureButton className="flex min-h-11 w-full items-center gap-3 text-left" disabled={small.length === 0}>
                    <span className="w-18 shrink-0 font-mono font-bold">{ranking.rest}</span>
                    <span className="min-w-0 flex-1">{small.length === 0 ? say('ranking.not-listed') : say('ranking.small', { count: small.length })}</span>
                    {small.length > 0 && <span aria-hidden="true">▾</span>}
                </DisclosureButton>
                <DisclosurePanel as="ol" className="divide-y divide-line border-t border-line">
                    {small.map((suspect) => (
                        <Cause key={suspect.id} suspect={suspect} before={before.get(suspect.id)} onAccept={onAccept} onLook={onLook} />
                    ))}
                </DisclosurePanel>
            </Disclosure>
        </section>
    );
}

function Cause({ suspect, before, onAccept, onLook }: { suspect: Suspect; before: Suspect | undefined; onAccept: Props['onAccept']; onLook: Props['onLook'] }) {
    const may = useMay();
    const reasons = [suspect.reasons.filter((reason) => reason.nats > 0), suspect.reasons.filter((reason) => reason.nats < 0)] as const;
    const places = suspect.where.length + suspect.moreWhere;
    return (
        <li className="py-1.5">
            <Disclosure>
                <div className="grid grid-cols-[4.5rem_1fr]">
                    <div>
                        <p className="font-mono text-xl leading-tight font-bold">{suspect.shown}</p>
                        {before !== undefined && before.shown !== suspect.shown && <p className="text-xs text-soft">{say('ranking.was', { share: before.shown })}</p>}
                    </div>
                    <div className="min-w-0">
                        <DisclosureButton className="flex w-full items-baseline gap-2 text-left" onClick={() => onLook(suspect.places)}>
                            <span className="min-w-0 flex-1 break-words">
                                <span className="font-bold">{suspect.title}</span> <span className="text-sm">{suspect.where[0]}</span>
                                {suspect.atTimes >= 0.3 && <span className="text-sm text-soft"> · {suspect.atTimes >= 0.7 ? say('ranking.comes-and-goes') : say('ranking.may-come-and-go')}</span>}
                            </span>
                            <span className="shrink-0 text-sm underline underline-offset-4">{places > 1 ? say('ranking.places', { count: places }) : say('ranking.why')} ▸</span>
                        </DisclosureButton>
                        <Reason word={say('ranking.for')} reason={reasons[0][0]} none={say('ranking.told')} />
                        <Reason word={say('ranking.against')} reason={reasons[1][0]} none={say('ranking.nothing')} />
                        <span className="mt-1 block h-1.5 bg-line" aria-hidden="true">
                            <span className="block h-full bg-ink transition-[width] duration-500" style={{ width: `${100 * suspect.probability}%` }} />
                        </span>
                    </div>
                </div>
                <DisclosurePanel className="mt-2 space-y-2 pl-18 text-sm">
                    {suspect.where.length > 1 && <p>{say('ranking.where', { places: suspect.where.join('; ') })}{suspect.moreWhere > 0 ? ` ${say('ranking.more', { count: suspect.moreWhere })}` : ''}</p>}
                    {[...reasons[0].slice(1), ...reasons[1].slice(1)].slice(0, 4).map((reason) => (
                        <Reason key={reason.observation} word={reason.nats > 0 ? say('ranking.for') : say('ranking.against')} reason={reason} none="" isWhole />
                    ))}
                    {suspect.class !== '' && may('accept') && <Button onClick={() => onAccept(suspect)}>{say('ranking.accept')}</Button>}
                </DisclosurePanel>
            </Disclosure>
        </li>
    );
}

function Reason({ word, reason, none, isWhole = false }: { word: string; reason: Schemas['ReasonView'] | undefined; none: string; isWhole?: boolean }) {
    return (
        <p className={`text-sm leading-snug break-words ${isWhole ? '' : 'line-clamp-2'}`}>
            <strong>{word}</strong> {reason?.sentence ?? none}
        </p>
    );
}

/** The ranking before the last reading came in. */
function usePrevious(ranking: Schemas['RankingView']): Map<string, Suspect> {
    const now = () => new Map(ranking.suspects.map((suspect) => [suspect.id, suspect]));
    const [seen, setSeen] = useState({ readings: ranking.readings, now: now(), before: new Map<string, Suspect>() });
    if (seen.readings !== ranking.readings) {
        setSeen({ readings: ranking.readings, now: now(), before: seen.now });
    }
    return seen.before;
}
