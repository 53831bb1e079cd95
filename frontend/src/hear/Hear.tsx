import { Link } from 'react-router';
import type { Detail } from '../api/client';
import { Line } from '../record/Line';
import { day } from '../ui/parts';
import { People } from './People';
import { Settle } from './Settle';
import { Tell } from './Tell';

/** The complaint and its history: what was told, by whom and when; late things can be added any time, each with its verdict. */
export function Hear({ detail }: { detail: Detail }) {
    // What a look found stands under Look; what was only written down stands here with what was told.
    const story = detail.record.filter((line) => line.kind === 'told' || (line.kind === 'seen' && detail.observations.find((each) => each.id === line.id)?.payload.look === undefined));
    const symptoms = new Set(detail.observations.filter((each) => each.kind === 'told' && each.payload.symptom !== undefined).map((each) => each.id));
    return (
        <main className="mx-auto grid max-w-5xl gap-8 px-4 py-6 md:grid-cols-[1fr_22rem]">
            <section className="min-w-0">
                <h2 className="text-soft">Complaint, {day(detail.call.openedAt)}</h2>
                <p className="mt-1 mb-6 text-2xl leading-snug break-words">“{detail.call.complaint}”</p>
                {story.length === 0 && <p className="text-soft">Nothing written down yet. Ask what happens, when, since when, and what else happened just before.</p>}
                <ol className="space-y-4">
                    {story.map((line) => (
                        <li key={line.id} className="border-l-2 border-line pl-3">
                            <Line call={detail.call} line={line}>
                                {line.withdrawn === null && symptoms.has(line.id) && <Settle detail={detail} told={line} />}
                            </Line>
                        </li>
                    ))}
                </ol>
                <p className="mt-6">
                    <Link className="inline-flex min-h-11 items-center border-2 border-ink bg-probe px-4 font-bold text-[#16243b]" to={`/calls/${detail.call.id}/${detail.call.houseId === null ? 'survey' : 'trace'}`}>
                        {detail.call.houseId === null ? 'On to the board' : 'On to covers-on tests'}
                    </Link>
                </p>
                {detail.earlier.length > 0 && (
                    <section className="mt-8">
                        <h2 className="border-b border-ink pb-1 font-bold">Earlier visits here</h2>
                        <ul className="divide-y divide-line">
                            {detail.earlier.map((each) => (
                                <li key={each.id} className="py-1.5">
                                    <Link className="inline-flex min-h-11 items-center underline underline-offset-4" to={`/calls/${each.id}/hand-over`}>
                                        {day(each.openedAt)}
                                    </Link>{' '}
                                    “{each.complaint}”
                                    <span className="block text-sm">{each.found === '' ? 'No cause was accepted.' : `Found: ${each.found}`}</span>
                                </li>
                            ))}
                        </ul>
                    </section>
                )}
            </section>
            <aside className="space-y-6">
                <Tell detail={detail} />
                <People detail={detail} />
            </aside>
        </main>
    );
}
