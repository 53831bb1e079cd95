import type { Schemas } from '../api/client';
import { numbers } from './typed';

interface Props {
    slug: string;
    inputs: Schemas['SumInputView'][];
    typed: Record<string, string>;
    figures: Schemas['FigureView'][];
}

/** A small picture where that says more than the figures. */
export function Drawing({ slug, inputs, typed, figures }: Props) {
    const value = (key: string) => typed[key] ?? inputs.find((input) => input.key === key)?.usual ?? '';
    if (slug === 'phasor-sum') {
        return <Phasors lengths={numbers(value('amperes'))} degrees={numbers(value('degrees'))} />;
    }
    if (slug === 'earth-division') {
        return <Shares of={figures.slice(1)} />;
    }
    if (slug === 'leakage-budget') {
        const sum = (key: string) => numbers(value(key)).reduce((all, one) => all + one, 0);
        return <Phasors lengths={[sum('resistive'), sum('capacitive')]} degrees={[0, 90]} />;
    }
    return null;
}

/** Arrows nose to tail, and dotted what closes them: their sum. */
function Phasors({ lengths, degrees }: { lengths: number[]; degrees: number[] }) {
    const points = lengths.slice(0, degrees.length).reduce<[number, number][]>(
        (all, length, at) => {
            const [x, y] = all[all.length - 1] ?? [0, 0];
            const angle = ((degrees[at] ?? 0) * Math.PI) / 180;
            return [...all, [x + length * Math.cos(angle), y - length * Math.sin(angle)]];
        },
        [[0, 0]],
    );
    const xs = points.map(([x]) => x);
    const ys = points.map(([, y]) => y);
    const span = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 1e-9);
    const place = ([x, y]: [number, number]): string => `${10 + (180 * (x - Math.min(...xs))) / span},${10 + (180 * (y - Math.min(...ys))) / span}`;
    const last: [number, number] = points[points.length - 1] ?? [0, 0];
    return (
        <svg viewBox="0 0 200 200" className="h-48 w-full" role="img" aria-label="The currents as arrows one after the other, and their sum">
            <polyline points={points.map(place).join(' ')} fill="none" stroke="currentColor" strokeWidth="2" />
            {points.map((point, at) => (
                <circle key={at} cx={place(point).split(',')[0]} cy={place(point).split(',')[1]} r="3" fill="currentColor" />
            ))}
            <polyline points={`${place([0, 0])} ${place(last)}`} fill="none" stroke="currentColor" strokeWidth="4" strokeDasharray="2 6" strokeLinecap="round" />
        </svg>
    );
}

function Shares({ of }: { of: Schemas['FigureView'][] }) {
    const whole = of.reduce((all, figure) => all + (figure.value ?? 0), 0);
    return (
        <div className="flex h-8 border border-ink" role="img" aria-label="How the current divides">
            {of.map((figure, at) => (
                <span key={figure.words} className={`${at % 2 === 0 ? 'bg-ink' : 'bg-line'} border-r border-sheet`} style={{ width: `${(100 * (figure.value ?? 0)) / Math.max(whole, 1e-9)}%` }} />
            ))}
        </div>
    );
}
