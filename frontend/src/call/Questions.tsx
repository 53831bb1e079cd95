import type { Detail, Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, clock, Refused } from '../ui/parts';
import { say } from '../words';

/** Acts that arrived after somebody else had switched the same thing: the page asks how it stands, and does not guess. */
export function Questions({ detail }: { detail: Detail }) {
    const observe = useObserve(detail.call.id);
    const answer = ({ operation, subject, value = '' }: Schemas['Act']) => observe.mutate({ kind: 'done', payload: { changes: [{ operation, subject, value }] } });
    if (detail.questions.length === 0) {
        return null;
    }
    return (
        <section aria-label={say('question.title')} className="no-print space-y-3 border-b-2 border-doubt bg-sheet px-4 py-3">
            <h2 className="font-bold text-doubt">▲ {say('question.title')}</h2>
            {detail.questions.map((question) => (
                <div key={question.id + question.said.subject} className="flex flex-wrap items-center gap-3">
                    <p className="min-w-52 flex-1 break-words">{say('question.intro', { by: question.by, time: clock(question.at), words: question.words })}</p>
                    <Button disabled={observe.isPending} onClick={() => answer(question.said)}>
                        {say('question.so')}
                    </Button>
                    <Button disabled={observe.isPending} onClick={() => answer(question.else)}>
                        {say('question.not')}
                    </Button>
                </div>
            ))}
            <Refused error={observe.error} />
        </section>
    );
}
