import type { Schemas } from '../api/client';

/** A house that is new, or surveyed otherwise: every reading is held against every cause once, and how far that is. */
export function Preparing({ columns }: { columns: Schemas['ColumnsView'] }) {
    const done = columns.total - columns.missing.length;
    return (
        <div className="py-3">
            <p role="status" className="text-soft">
                Each reading is held against every cause: {done} of {columns.total} …
            </p>
            <progress className="mt-1.5 block h-1.5 w-full appearance-none bg-line [&::-moz-progress-bar]:bg-ink [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-ink" value={done} max={columns.total} aria-label="Readings held against every cause" />
        </div>
    );
}
