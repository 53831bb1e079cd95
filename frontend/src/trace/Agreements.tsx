import { useQuery } from '@tanstack/react-query';
import { api, got } from '../api/client';
import { Mark } from '../ui/parts';

/** Readings that have to agree, whatever the house is like; each with its sum. */
export function Agreements({ callId, readings, isRanked }: { callId: string; readings: number; isRanked: boolean }) {
    const found = useQuery({ queryKey: ['call', callId, 'consistency', readings], queryFn: () => got(api.GET('/api/calls/{id}/consistency', { params: { path: { id: callId } } })), enabled: readings > 1 && isRanked, placeholderData: (old) => old });
    if (!found.data || found.data.length === 0) {
        return null;
    }
    return (
        <section aria-label="Do they agree" className="mt-5">
            <h2 className="border-b border-ink pb-1 font-bold">Do they agree</h2>
            <ul className="space-y-1 pt-1 text-sm">
                {found.data.map((each) => (
                    <li key={each.sentence + each.readings.join()}>
                        <details>
                            <summary className="cursor-pointer">
                                <Mark of={each.verdict} word={each.verdict === 'good' ? 'Agrees' : 'Disagrees'} />: {each.sentence}
                            </summary>
                            <p className="pl-4">{each.working}</p>
                        </details>
                    </li>
                ))}
            </ul>
        </section>
    );
}
