import type { Schemas } from '../api/client';
import type { Plan } from './preparation';
import type { Running } from './running';
import { useTestNow } from './runs';
import { useKept } from './useKept';

/** The test whose state is being made, and whether it has to be made safe first, as the house stands now. */
export interface Planning {
    plan: Plan | null;
    setPlan: (plan: Plan | null) => void;
    needsIsolation: boolean;
}

/** Keeps the plan of a preparation over a reload, lists its steps anew once it is made safe, and follows a run from place to place. */
export function usePlanning(callId: string, series: string, running: Running, forced: string[]): Planning {
    const { run, member } = running;
    const [plan, setPlan] = useKept<Plan | null>(`yellow-probe.plan.${callId}`, null);
    const current = useTestNow(callId, plan !== null && plan.run === '' ? plan.test.id : null);
    const now: Schemas['NextTestView'] | Schemas['SeriesMemberView'] | undefined = plan === null ? undefined : plan.run === '' ? current.data : member?.id === plan.test.id ? member : undefined;
    if (member && run && running.need === 'changes' && plan?.test.id !== member.id) {
        // A run whose next place has to be prepared brings its own steps; they stay as they were listed until all are done.
        setPlan({ test: { ...member, hazard: run.hazard, forced }, run: run.id, leftOut: [], since: '' });
    } else if (plan !== null && plan.run !== '' && (series === '' || (member && (plan.test.id !== member.id || running.need === 'nothing')))) {
        setPlan(null);
    } else if (plan !== null && now !== undefined && plan.test.needsIsolation && !now.needsIsolation) {
        // Made safe: some of the steps are done by it, and others may be needed.
        setPlan({ ...plan, test: { ...plan.test, changes: now.changes, needsIsolation: false } });
    }
    // Asked of the house as it stands, not as it stood when the test was chosen: supply may have come back meanwhile.
    return { plan, setPlan, needsIsolation: now?.needsIsolation ?? plan?.test.needsIsolation ?? false };
}
