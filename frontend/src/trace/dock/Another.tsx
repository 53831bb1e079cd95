import { useState } from 'react';
import { Button, inputLook, Modal, Refused, Waiting } from '../../ui/parts';
import { say } from '../../words';
import type { Practice } from '../../api/hooks';
import { useRuns, useTests, type Where } from '../runs';
import { useTouch } from '../touch';
import { price } from './Choose';
import type { Schemas } from '../../api/client';

interface Props {
    callId: string;
    /** The point and the circuit that are chosen on the map. */
    here: { part: string; name: string; circuit: string; way: string } | null;
    wanted: string;
    practice: Practice;
    onTest: (id: string) => void;
    onRun: (series: string) => void;
    onHand: () => void;
    onClose: () => void;
}

const MOST = 40;

/** Any other test: at this point, along this circuit, at the board; what tells nothing new is folded away. One search for all. */
export function Another({ callId, here, wanted: begun, practice, onTest, onRun, onHand, onClose }: Props) {
    const isTouch = useTouch();
    const [wanted, setWanted] = useState(begun);
    const [place, setPlace] = useState<Where>(here === null ? 'board' : 'point');
    const tests = useTests(callId, { where: wanted.trim() === '' ? place : 'any', on: (wanted.trim() !== '' || place === 'point' ? here?.part : here?.circuit) ?? '', search: wanted.trim(), ...practice });
    const runs = useRuns(callId, true);
    const matches = (runs.data ?? []).filter((run) => (wanted.trim() === '' ? place === 'circuit' && here !== null && run.words.includes(here.way) : wanted.toLowerCase().split(' ').every((word) => run.words.toLowerCase().includes(word))));
    const told = (tests.data ?? []).filter((test) => test.worth !== 'nothing');
    const nothing = (tests.data ?? []).filter((test) => test.worth === 'nothing');
    /** The first that is listed, for a hand on the keys; not while older words are still answered. */
    const first = () => {
        const test = told[0] ?? nothing[0];
        if (tests.isPlaceholderData || tests.isPending) {
            return;
        }
        if (test) {
            onTest(test.id);
        } else if (matches[0]) {
            onRun(matches[0].id);
        }
    };
    const item = (test: Schemas['TestSummary']) => (
        <li key={test.id}>
            <button type="button" className="flex min-h-11 w-full items-baseline justify-between gap-3 py-1.5 text-left" onClick={() => onTest(test.id)}>
                <span className="min-w-0">{test.words}</span>
                <span className="shrink-0 text-sm text-soft">{price(test)}</span>
            </button>
        </li>
    );
    return (
        <Modal open onClose={onClose} title={say('choose.other')}>
            <label className="block text-sm font-bold">
                {say('another.find')}
                <input className={`${inputLook} mb-2 font-normal`} value={wanted} placeholder={say('another.example')} autoFocus={!isTouch} data-autofocus={isTouch ? undefined : true} onChange={(event) => setWanted(event.target.value)} onKeyDown={(event) => event.key === 'Enter' && first()} />
            </label>
            {wanted.trim() === '' && (
                <div role="group" aria-label={say('another.where')} className="mb-2 grid grid-cols-3 border border-ink">
                    {(['point', 'circuit', 'board'] as const).map((each) => (
                        <button key={each} type="button" disabled={each !== 'board' && here === null} aria-pressed={place === each} onClick={() => setPlace(each)} className={`min-h-11 px-1 leading-tight disabled:opacity-50 ${place === each ? 'bg-ink font-bold text-paper' : ''}`}>
                            {each === 'point' ? (here === null ? say('another.point') : say('another.at', { place: here.name })) : each === 'circuit' ? (here === null ? say('another.circuit') : say('another.along', { way: here.way })) : say('another.board')}
                        </button>
                    ))}
                </div>
            )}
            <Refused error={tests.error ?? runs.error} />
            {tests.isPending && <Waiting what={say('another.looking')} />}
            <ul className="divide-y divide-line">{told.slice(0, MOST).map(item)}</ul>
            {matches.length > 0 && (
                <>
                    <h3 className="mt-3 border-b border-ink font-bold">{say('another.runs', { count: matches.length })}</h3>
                    <ul className="divide-y divide-line">
                        {matches.slice(0, MOST).map((run) => (
                            <li key={run.id}>
                                <button type="button" className="flex min-h-11 w-full items-center justify-between gap-3 text-left" onClick={() => onRun(run.id)}>
                                    <span>{run.words}</span>
                                    <span className="font-mono text-sm whitespace-nowrap">{say('another.done', { done: run.done, count: run.count })}</span>
                                </button>
                            </li>
                        ))}
                    </ul>
                    {matches.length > MOST && <p className="text-sm text-soft">{say('another.more', { count: matches.length - MOST })}</p>}
                </>
            )}
            {nothing.length > 0 && (
                <details className="mt-2" open={told.length === 0}>
                    <summary className="min-h-11 cursor-pointer py-2.5">{say('another.nothing', { count: nothing.length })}</summary>
                    <ul className="divide-y divide-line">{nothing.slice(0, MOST).map(item)}</ul>
                </details>
            )}
            {tests.data && told.length + nothing.length + matches.length === 0 && <p>{say('another.none')}</p>}
            <div className="mt-3">
                <Button onClick={onHand}>{say('another.by-hand')}</Button>
            </div>
        </Modal>
    );
}
