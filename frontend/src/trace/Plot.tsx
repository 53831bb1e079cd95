import type { Schemas } from '../api/client';
import { say } from '../words';
import type { PlacedWay } from './layout';

type Member = Schemas['SeriesMemberView'];

/** Room for the readings of a run above a line, px. */
export const PLOT = 130;

export interface RunPlot {
    members: Member[];
    at: number;
    onGo: (at: number) => void;
}

/** The stop that each member of a run is read at; null where one is read elsewhere. */
export function stopsOf(way: Schemas['WayView'], members: Member[]): string[] | null {
    const found = members.map((member) => way.stops.find((stop) => stop.terminals.some((terminal) => member.terminals.includes(terminal.id)))?.part);
    return members.length > 0 && found.every((part) => part !== undefined) ? found : null;
}

/** Readings where they were taken: a column over each stop, so that one that stands out is already located. */
export function Plot({ plot, line }: { plot: RunPlot; line: PlacedWay }) {
    const parts = stopsOf(line.way, plot.members) ?? [];
    return <Columns plot={plot} top={line.top + 14} height={PLOT - 34} columns={parts.map((part) => line.stops.find((stop) => stop.stop.part === part)?.x ?? 0)} reach={line.y + 34} />;
}

/** The same for readings that are taken in several places: a column each, in their order. */
export function PlotApart({ plot }: { plot: RunPlot }) {
    const width = 46;
    return (
        <div className="shrink-0 overflow-x-auto border-b border-line" tabIndex={0} role="region" aria-label={say('plot.scrollable')}>
            <svg width={plot.members.length * width + 8} height={92} className="block text-ink" role="group" aria-label={say('plot.title')}>
                <Columns plot={plot} top={10} height={68} columns={plot.members.map((_, at) => 4 + (at + 0.5) * width)} reach={88} />
            </svg>
        </div>
    );
}

function Columns({ plot: { members, at, onGo }, top, height, columns, reach }: { plot: RunPlot; top: number; height: number; columns: number[]; reach: number }) {
    const y = (share: number) => top + 18 + (1 - share) * (height - 26);
    return members.map((member, index) => {
        const x = columns[index] ?? 0;
        return (
            <g
                key={member.id}
                role="button"
                tabIndex={0}
                aria-label={say(member.outlier ? 'plot.outlier' : 'plot.member', { place: member.place, read: member.raw ?? say('plot.not-taken'), expected: member.expected })}
                className="cursor-pointer"
                onClick={() => onGo(index)}
                onKeyDown={(event) => {
                    if (event.key === 'Enter' || event.key === ' ') {
                        event.preventDefault();
                        event.stopPropagation();
                        onGo(index);
                    }
                }}
            >
                <rect x={x - 22} y={top - 6} width={44} height={reach - top + 8} rx={4} className={index === at ? 'fill-none stroke-current' : 'fill-none stroke-transparent'} strokeWidth={2.4} pointerEvents="all" />
                {member.expectedAt !== null && <path d={`M${x - 17} ${y(member.expectedAt)}h34`} className="stroke-line" strokeWidth={7} />}
                {member.expectedAt !== null && <path d={`M${x - 17} ${y(member.expectedAt)}h34`} className="stroke-soft" strokeWidth={1.6} />}
                {member.raw !== null && (
                    <text x={x} y={member.readAt === null ? top + height / 2 - 8 : y(member.readAt) - 10} textAnchor="middle" className={`font-mono text-[12px] font-bold ${member.outlier ? 'fill-bad' : 'fill-current'}`}>
                        {member.raw.slice(0, 7)}
                    </text>
                )}
                {member.readAt === null && member.raw !== null && <circle cx={x} cy={top + height / 2} r={5} className={member.outlier ? 'fill-bad' : 'fill-current'} />}
                {member.readAt !== null && (member.outlier ? <path d={`M${x} ${y(member.readAt) - 8}l8 8-8 8-8-8z`} className="fill-bad" /> : <circle cx={x} cy={y(member.readAt)} r={5} className="fill-current" />)}
            </g>
        );
    });
}
