import type { ReactNode } from 'react';
import type { Detail, Schemas } from '../../api/client';
import type { Connection, useRanking } from '../../api/hooks';
import { useJob, Working } from '../../jobs/Working';
import { Refused, Waiting } from '../../ui/parts';
import { useQuiet } from '../../ui/quiet';
import { say } from '../../words';
import { Agreements } from '../Agreements';
import { Contradictions } from '../Contradictions';
import type { Pane } from '../Panes';
import { Readings } from '../Readings';
import { Dangers } from './Dangers';
import { Advice, Ranked } from './Why';

interface Props {
    detail: Detail;
    pane: Pane;
    ranking: ReturnType<typeof useRanking>;
    /** None in a run: its order is settled. */
    next: Schemas['AdviceView'] | undefined;
    error: unknown;
    odd: Schemas['ContradictionView'][];
    isRanked: boolean;
    dangers: Schemas['ImmediateDangerView'][];
    mayAct: boolean;
    here: Connection | null;
    onAccept: (suspect: Schemas['SuspectView']) => void;
    onLook: (places: string[]) => void;
    onAgain: (reading: Schemas['ReadingView']) => void;
    /** Below the ranking. */
    children: ReactNode;
}

/** The column that says why: advice, what fits, and every reading as taken. */
export function Column({ detail, pane, ranking, next, error, odd, isRanked, dangers, mayAct, here, onAccept, onLook, onAgain, children }: Props) {
    const callId = detail.call.id;
    const ranked = useJob(callId, 'ranking');
    const shown = (which: Pane) => (pane === which ? '' : 'compact:hidden');
    return (
        <div className={`min-h-0 overflow-y-auto px-4 pt-2 pb-4 compact:flex-1 ${pane === 'map' ? 'compact:hidden' : ''}`}>
            <div className={shown('causes')} data-ranking>
                <Dangers callId={callId} dangers={dangers} mayAct={mayAct} className="mb-2 compact:hidden" />
                <Refused error={error} />
                <Contradictions odd={odd} />
                <Advice detail={detail} next={next} />
                {ranking.data ? (
                    <Ranked ranking={ranking.data} onAccept={onAccept} onLook={onLook} status={<Weighed progress={ranked} isWaiting={ranking.isFetching} />} />
                ) : (
                    detail.call.houseId !== null && (ranked ? <Working what={say('work.ranking')} progress={ranked} /> : <Waiting what={say('trace.ranking')} />)
                )}
                {children}
            </div>
            <div className={`wide:mt-4 ${shown('readings')}`}>
                <Readings callId={callId} readings={detail.readings} here={here} onAgain={onAgain} />
                <Agreements callId={callId} readings={detail.readings.length} isRanked={isRanked} />
            </div>
        </div>
    );
}

/** That a reading is still being weighed; a quick answer needs no word. */
function Weighed({ progress, isWaiting }: { progress: ReturnType<typeof useJob>; isWaiting: boolean }) {
    const rested = useQuiet(String(isWaiting), 400);
    if (progress !== null) {
        return <Working what={say('work.ranking')} progress={progress} />;
    }
    return isWaiting && rested ? (
        <p role="status" className="text-sm text-soft">
            {say('trace.go-on')}
        </p>
    ) : null;
}
