import { useQuery } from '@tanstack/react-query';
import { api, got } from '../api/client';
import { clock, day, Refused } from '../ui/parts';
import { say } from '../words';

/** What a demonstration would have sent. */
export function Mails() {
    const mails = useQuery({ queryKey: ['mails'], queryFn: () => got(api.GET('/api/mails')) });
    return (
        <section aria-label={say('mail.title')}>
            <h2 className="mb-1 text-lg font-bold">{say('mail.title')}</h2>
            <p className="mb-2 text-soft">{say('mail.why')}</p>
            <Refused error={mails.error} />
            {mails.data?.length === 0 && <p className="text-soft">{say('mail.none')}</p>}
            {mails.data?.map((mail) => (
                <details key={mail.id} className="border-t border-line py-2">
                    <summary className="min-h-6 cursor-pointer break-words">
                        {mail.subject} <span className="text-soft">to {mail.recipient}, {day(mail.at)}, {clock(mail.at)}</span>
                    </summary>
                    <p className="mt-2 pl-4 font-mono text-sm break-words whitespace-pre-wrap">{mail.text}</p>
                </details>
            ))}
        </section>
    );
}
