import type { Schemas } from '../api/client';
import { withPending } from './standing';

type State = Schemas['StateView'];
export type Step = Pick<Schemas['LedgerEntry'], 'operation' | 'subject' | 'value' | 'words' | 'backOperation' | 'backValue' | 'clampFirst'>;

/** A test with the state it asks for. */
export type Asked = Pick<Schemas['NextTestView'], 'id' | 'instrument' | 'terminals' | 'around' | 'changes' | 'hazard' | 'needsIsolation' | 'words'> & { forced?: string[] };

/** A test in hand whose state is being made. Its steps stay as they were listed, whatever is done of them. */
export interface Plan {
    test: Asked;
    /** Id of the run that it is a reading of; empty for a test by itself. */
    run: string;
    /** Subjects of the steps that were left out. */
    leftOut: string[];
    /** The last entry when its steps were listed; empty where there was none. */
    since: string;
}

/** Whether the house stands as a step leaves it. */
export function holds(step: Step, state: State): boolean {
    const { positions, loads, lifted, links } = state;
    switch (step.operation) {
        case 'set':
            return ((positions as Record<string, string>)[step.subject] ?? 'on') === step.value;
        case 'load':
            return ((loads as Record<string, string>)[step.subject] ?? 'on') === step.value;
        case 'lift':
        case 'refit':
            return lifted.includes(step.subject) === (step.operation === 'lift');
        default: {
            const isThere = links.some((pair) => pair.includes(step.subject) && pair.includes(step.value));
            return isThere === (step.operation === 'link');
        }
    }
}

/** What may be confirmed in one go: the open steps up to the first that needs a reading. */
export function together(open: Step[]): Step[] {
    const at = open.findIndex((step) => step.clampFirst !== null);
    return at === -1 ? open : open.slice(0, at);
}

export const act = ({ operation, subject, value }: Step) => ({ operation, subject, value });
export const back = ({ backOperation, subject, backValue }: Step) => ({ operation: backOperation, subject, value: backValue });

/** The state once steps are done. */
export function after(state: State, steps: Step[], main: string | null): State {
    return steps.length === 0 ? state : withPending(state, [{ kind: 'done', payload: { changes: steps.map(act) } }], main);
}
