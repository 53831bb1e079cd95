import { useQuery } from '@tanstack/react-query';
import { api, got } from '../api/client';
import { clock, day, Refused, Waiting } from '../ui/parts';
import { say } from '../words';

/** Logins, refusals and changes of people, newest first. */
export function SecurityLog() {
    const events = useQuery({ queryKey: ['security-events'], queryFn: () => got(api.GET('/api/security-events')) });
    return (
        <section aria-label={say('log.title')}>
            <h2 className="mb-2 text-lg font-bold">{say('log.title')}</h2>
            <Refused error={events.error} />
            {events.isPending && <Waiting what="Fetching the log" />}
            {events.data?.length === 0 && <p className="text-soft">{say('log.none')}</p>}
            <ul className="divide-y divide-line border-y border-line empty:hidden">
                {events.data?.map((event) => (
                    <li key={event.id} className="grid gap-x-6 py-1.5 sm:grid-cols-[14rem_1fr_8rem]">
                        <span className="text-soft">
                            {day(event.at)}, {clock(event.at)}
                        </span>
                        <span className="min-w-0 break-words">
                            {say(`log.${event.kind}`)}
                            {event.person !== null && `: ${event.person}`}
                            {event.about !== '' && <span className="block text-sm text-soft">{event.about}</span>}
                        </span>
                        <span className="text-sm break-words text-soft">{event.address}</span>
                    </li>
                ))}
            </ul>
        </section>
    );
}
