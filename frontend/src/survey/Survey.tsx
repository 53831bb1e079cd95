import type { Detail } from '../api/client';
import { Surveyed } from './Surveyed';
import { Sheets } from './Sheets';

/** The board read off in a few minutes, or the house as it was drawn up, to be refined where the fault is. */
export function Survey({ detail }: { detail: Detail }) {
    return detail.call.houseId === null ? <Sheets detail={detail} /> : <Surveyed detail={detail} houseId={detail.call.houseId} />;
}
