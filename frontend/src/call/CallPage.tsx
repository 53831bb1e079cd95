import { NavLink, Navigate, useNavigate, useParams } from 'react-router';
import type { Detail, Schemas } from '../api/client';
import { useCall } from '../api/hooks';
import { Hear } from '../hear/Hear';
import { Look } from '../look/Look';
import { Record } from '../record/Record';
import { PutRight } from '../right/PutRight';
import { MakeSafe } from '../safe/MakeSafe';
import { useMay } from '../session/may';
import { Survey } from '../survey/Survey';
import { Trace } from '../trace/Trace';
import { useKeys } from '../ui/keys';
import { Refused, Waiting } from '../ui/parts';
import { Boundary } from '../ui/Boundary';
import { say } from '../words';
import { Questions } from './Questions';
import { SecondPerson } from './SecondPerson';
import { stages } from './stages';

/** What is missing at a stage before the next is sound; empty when nothing is. */
function missing(stage: string, detail: Detail): string {
    switch (stage) {
        case 'hear':
            return detail.observations.some((each) => each.kind === 'told' && each.payload.symptom !== undefined) ? '' : 'no symptom picked yet';
        case 'look':
            return detail.observations.some((each) => each.kind === 'seen') ? '' : 'nothing noted';
        case 'make-safe':
            return detail.isSafe ? '' : 'no proof of dead stands';
        case 'survey':
            return detail.call.houseId === null ? 'no house yet' : '';
        case 'trace':
            return detail.readings.length > 0 ? '' : 'no reading yet';
        case 'put-right':
            return detail.observations.some((each) => each.kind === 'repaired') ? (detail.readings.some((each) => each.proves) ? '' : 'repair not proved') : 'nothing repaired yet';
        default:
            return detail.call.stage === 'closed' ? '' : detail.unsettled.length > 0 ? `${detail.unsettled.length} symptom${detail.unsettled.length === 1 ? '' : 's'} without a verdict` : 'not handed over';
    }
}

/** What whoever works at a stage does there. */
const needs: { [stage: string]: Schemas['Me']['may'][number] } = { hear: 'tell', look: 'tell', 'make-safe': 'measure', survey: 'survey', 'put-right': 'accept' };

export default function CallPage() {
    const { id = '', stage = 'hear' } = useParams();
    const call = useCall(id);
    const navigate = useNavigate();
    const may = useMay();
    useKeys(Object.fromEntries(stages.map((each, at) => [`Alt+${at + 1}`, () => void navigate(`/calls/${id}/${each.slug}`)])));
    if (!stages.some((each) => each.slug === stage)) {
        return <Navigate to={`/calls/${id}/hear`} replace />;
    }
    if (call.isPending) {
        return (
            <main className="p-6">
                <Waiting what="Fetching the call" />
            </main>
        );
    }
    if (!call.data) {
        return (
            <main className="mx-auto max-w-2xl p-6">
                <Refused error={call.error} />
            </main>
        );
    }
    const detail = call.data;
    const bounds = !may('tell') ? 'read' : !may('measure') ? 'tell' : !may('accept') && (stage === 'put-right' || stage === 'hand-over') ? 'train' : null;
    return (
        <>
            <section aria-label="This call" className="no-print border-b border-ink bg-sheet px-4 lg:flex lg:items-center lg:gap-6">
                <div className="min-w-0 py-2 lg:max-w-sm">
                    <h1 className="truncate font-bold">{detail.call.address}</h1>
                    <p className="truncate text-sm text-soft">{detail.call.customer}</p>
                </div>
                <nav aria-label="Stages of the call" className="-mx-4 flex overflow-x-auto px-4">
                    {stages.map((each) => {
                        const open = missing(each.slug, detail);
                        return (
                            <NavLink key={each.slug} to={`/calls/${id}/${each.slug}`} title={open === '' ? undefined : `${each.words}: ${open}`} className={({ isActive }) => `relative flex min-h-11 shrink-0 items-center border-b-4 px-3 ${isActive ? 'border-ink font-bold' : 'border-transparent text-soft'}`}>
                                <span aria-hidden="true" className="mr-1.5 text-xs">
                                    {open === '' ? '●' : '○'}
                                </span>
                                {each.words}
                                {open !== '' && <span className="sr-only">, {open}</span>}
                            </NavLink>
                        );
                    })}
                </nav>
            </section>
            {detail.call.unreadable > 0 && <p className="no-print border-b border-line px-4 py-2 text-doubt">▲ {say('unreadable', { count: detail.call.unreadable })}</p>}
            <Questions detail={detail} />
            <SecondPerson detail={detail} />
            {bounds !== null && <p className="no-print border-b border-line px-4 py-2 text-soft">{say(`may.${bounds}`)}</p>}
            <Boundary key={stage}>
                {/* What a role does not include stands there to be read. The map is looked through by everybody: Trace leaves out the tester instead. */}
                <fieldset className="contents" disabled={stage !== 'trace' && stage !== 'hand-over' && !may(needs[stage] ?? 'see')}>
                    {stage === 'hear' && <Hear detail={detail} />}
                    {stage === 'look' && <Look detail={detail} />}
                    {stage === 'make-safe' && <MakeSafe detail={detail} />}
                    {stage === 'survey' && <Survey detail={detail} />}
                    {stage === 'trace' && <Trace detail={detail} />}
                    {stage === 'put-right' && <PutRight detail={detail} />}
                    {stage === 'hand-over' && <Record detail={detail} />}
                </fieldset>
            </Boundary>
        </>
    );
}
