import { useQuery } from '@tanstack/react-query';
import { api, got, type Schemas } from '../api/client';
import { useQuiet } from '../ui/quiet';
import { say } from '../words';

type Suggestion = Schemas['SuggestionView'];

/** What goes into an address, whatever the script: the end of what is being typed. */
const MOST_CHARACTERS = 500;

/** What the words may be about, each to be taken with a tap and given back with another: a word list guesses, only a person says. */
export function Suggested({ callId, text, isTaken, onTake }: { callId: string; text: string; isTaken: (suggestion: Suggestion) => boolean; onTake: (suggestion: Suggestion) => void }) {
    const latest = text.slice(-MOST_CHARACTERS);
    const rested = useQuiet(latest, 600);
    const found = useQuery({
        queryKey: ['call', callId, 'suggestions', latest],
        queryFn: () => got(api.GET('/api/calls/{id}/suggestions', { params: { path: { id: callId }, query: { text: latest } } })),
        enabled: rested,
        placeholderData: (old) => old,
    });
    if (!found.data || found.data.length === 0) {
        return null;
    }
    return (
        <div role="group" aria-label={say('tell.suggested')}>
            <p className="text-sm text-soft">{say('tell.suggested')}</p>
            <div className="mt-1 flex flex-wrap gap-2">
                {found.data.map((each) => (
                    <button key={each.field + each.slug} type="button" aria-pressed={isTaken(each)} className={`min-h-11 border px-2.5 text-left text-sm ${isTaken(each) ? 'border-ink bg-ink text-paper' : 'border-line'}`} onClick={() => onTake(each)}>
                        {isTaken(each) && '✓ '}
                        {each.field === 'running' ? say('tell.runs', { name: each.words }) : each.words}
                    </button>
                ))}
            </div>
        </div>
    );
}
