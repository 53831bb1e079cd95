import { Navigate, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
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
import { HouseStrip } from './HouseStrip';
import { Questions } from './Questions';
import { SecondPerson } from './SecondPerson';
import { stages } from './stages';

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
            {stage !== 'trace' && <HouseStrip detail={detail} />}
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
