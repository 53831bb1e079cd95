import type { Detail } from '../api/client';

/** What is missing at a stage before the next is sound; empty when nothing is. */
export function missing(stage: string, detail: Detail): string {
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
