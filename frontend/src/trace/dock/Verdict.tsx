import type { Schemas } from '../../api/client';
import { Mark } from '../../ui/parts';
import { say } from '../../words';
import type { Stored } from '../entering';

/** How the reading stored last is judged; until the server has it, that it is kept. */
export function Verdict({ last, readings, isNamed }: { last: Stored; readings: Schemas['ReadingView'][]; isNamed: boolean }) {
    const reading = readings.find((each) => each.id === last.id);
    if (reading === undefined) {
        return (
            <p role="status" className="text-sm">
                <span aria-hidden="true">○ </span>
                {say('enter.kept', { raw: last.raw, where: last.where })}
            </p>
        );
    }
    if (!reading.placed) {
        return <p role="status">{say('enter.unplaced')}</p>;
    }
    return (
        <div role="status">
            <p className="break-words">
                <span className="font-mono font-bold">{reading.raw}</span> {isNamed && reading.where} {reading.fit && <Mark of={reading.fit} />}
                {reading.fit !== null && reading.fit !== 'fits' && <>. {say('enter.expected', { expected: reading.expected ?? '' })}</>}
            </p>
            {reading.judgements.map((judgement) => (
                <details key={judgement.limit}>
                    <summary className="cursor-pointer text-sm">
                        <Mark of={judgement.verdict} word={judgement.limit} />: {judgement.sentence}
                    </summary>
                    <p className="pl-4 text-sm">
                        {judgement.working} {judgement.source}
                    </p>
                </details>
            ))}
            {reading.cautions.map((caution) => (
                <p key={caution} className="text-sm font-bold">▲ {caution}</p>
            ))}
        </div>
    );
}
