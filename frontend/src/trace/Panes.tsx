import { say } from '../words';

/** What takes turns where there is no room for all. */
export type Pane = 'map' | 'causes' | 'readings';

/** Which of map, causes and readings is in sight on a small screen; the likeliest cause's share is, whatever is. */
export function Panes({ pane, onPane, leading, onSwitch }: { pane: Pane; onPane: (pane: Pane) => void; leading: string | undefined; onSwitch: (() => void) | null }) {
    return (
        <div role="tablist" aria-label={say('trace.panes')} className="grid shrink-0 grid-cols-3 border-b border-line wide:hidden low:grid-cols-4">
            {(['map', 'causes', 'readings'] as const).map((each) => (
                <button key={each} type="button" role="tab" aria-selected={pane === each} className={`min-h-11 low:min-h-8 ${pane === each ? 'border-b-4 border-ink font-bold' : ''}`} onClick={() => onPane(each)}>
                    {each === 'causes' && leading !== undefined && pane !== 'causes' ? `${leading} · ${say('trace.pane.causes')}` : say(`trace.pane.${each}`)}
                </button>
            ))}
            {onSwitch !== null && (
                <button type="button" className="hidden min-h-8 underline underline-offset-4 low:block" onClick={onSwitch}>
                    {say('strip.switch')}
                </button>
            )}
        </div>
    );
}
