import type { ReactNode } from 'react';
import type { Detail } from '../api/client';
import { useMay } from '../session/may';
import { Button, day } from '../ui/parts';
import { say } from '../words';
import { Finish } from './Finish';
import { Line, type RecordLine } from './Line';
import { ReadingsTable } from './ReadingsTable';

/** The finished story on A4: what was told, made safe, read, found, repaired and proved. Nothing that is stored is left out. */
export function Record({ detail }: { detail: Detail }) {
    const may = useMay();
    const { call, readings, record } = detail;
    const before = readings.filter((reading) => !reading.afterRepair);
    const after = readings.filter((reading) => reading.afterRepair);
    const of = (section: string) => record.filter((line) => line.section === section);
    const part = (section: string, strong = false) => <Lines key={section} call={call} title={say(`record.${section}`)} lines={of(section)} strong={strong} />;
    return (
        <main className="mx-auto max-w-4xl px-4 py-6 print:max-w-none print:p-0">
            <div className="no-print mb-6 flex flex-wrap gap-3">
                <Button look={call.stage === 'closed' ? 'next' : 'plain'} onClick={() => window.print()}>
                    {say('record.print')}
                </Button>
                {may('export') && (
                    <a className="self-center underline" href={`/api/calls/${call.id}/bundle`} download>
                        {say('record.bundle')}
                    </a>
                )}
            </div>
            <article className="space-y-5 border border-line bg-sheet p-6 print:border-0 print:p-0">
                <header className="border-b-2 border-ink pb-3">
                    <p className="text-soft">{say('record.of', { day: day(call.openedAt) })}</p>
                    <h2 className="text-2xl font-bold break-words">{call.address}</h2>
                    <p className="break-words">{call.customer}</p>
                    {call.stage !== 'closed' && <p className="mt-1 font-bold">▲ {say('record.open', { why: call.unsafe.join(' ') || say('record.still-open') })}</p>}
                    {call.unreadable > 0 && <p className="mt-1 font-bold">▲ {say('unreadable', { count: call.unreadable })}</p>}
                </header>
                <Part title={say('record.complaint')}>
                    <p className="break-words">“{call.complaint}”</p>
                </Part>
                {part('told')}
                {part('seen')}
                {part('safe')}
                {part('done')}
                <Part title={say(after.length > 0 ? 'record.before' : 'record.readings')}>
                    <ReadingsTable call={call} readings={before} record={record} label={say(after.length > 0 ? 'record.before' : 'record.readings')} />
                </Part>
                {part('cause', true)}
                {part('decided')}
                {part('repair')}
                {after.length > 0 && (
                    <Part title={say('record.after')}>
                        <ReadingsTable call={call} readings={after} record={record} label={say('record.after')} />
                        <p className="mt-1 font-bold">{after.some((reading) => reading.proves) ? `● ${say('record.proved')}` : `▲ ${say('record.unproved')}`}</p>
                    </Part>
                )}
                {part('unrepaired', true)}
                {part('advice')}
                {part('closed')}
                {part('beside')}
                <footer className="border-t border-line pt-2 text-sm text-soft">
                    <p>{say('record.expected-note', { version: detail.houseVersion ?? '–' })}</p>
                </footer>
            </article>
            {call.stage !== 'closed' && may('close') && <Finish detail={detail} />}
        </main>
    );
}

function Lines({ call, title, lines, strong }: { call: Detail['call']; title: string; lines: RecordLine[]; strong: boolean }) {
    return lines.length === 0 ? null : (
        <Part title={title}>
            {lines.map((line) => (
                <Line key={line.id} call={call} line={line} strong={strong} />
            ))}
        </Part>
    );
}

export function Part({ title, children }: { title: string; children: ReactNode }) {
    return (
        <section>
            <h3 className="mb-1 font-bold break-after-avoid">{title}</h3>
            {children}
        </section>
    );
}
