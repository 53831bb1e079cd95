import { useSyncExternalStore } from 'react';
import { say } from '../words';
import * as patient from './patient';

/** How far the server is with what follows from the readings of a call; null while nothing is under way. */
export function useJob(callId: string, what: 'ranking' | 'next'): patient.Progress | null {
    const all = useSyncExternalStore(patient.onChange, patient.all);
    for (const [job, progress] of all) {
        if (job.startsWith(`/api/calls/${callId}/jobs/${what}`)) {
            return progress;
        }
    }
    return null;
}

/** What is waited for, with how many others come before it, or how many pieces are done. */
export function Working({ what, progress }: { what: string; progress: patient.Progress | null }) {
    const words = progress === null ? what : progress.ahead > 0 && !progress.isRunning ? say('work.ahead', { what, count: progress.ahead }) : progress.total > 1 ? say('work.pieces', { what, done: progress.done, total: progress.total }) : what;
    return (
        <div className="py-3">
            <p role="status" className="text-soft">
                {words} …
            </p>
            {progress !== null && progress.total > 1 && <progress className="mt-1.5 block h-1.5 w-full appearance-none bg-line [&::-moz-progress-bar]:bg-ink [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-ink" value={progress.done} max={progress.total} aria-label={what} />}
        </div>
    );
}
