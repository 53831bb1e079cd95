import type { Schemas } from '../api/client';
import type { usePrediction } from '../api/hooks';
import { Refused } from '../ui/parts';
import { Outcomes } from './NextTest';

/** What this house should read where the leads are, what each outcome would mean, and the way the current takes. */
export function Expected({ prediction, known, trap }: { prediction: ReturnType<typeof usePrediction>; known: string | undefined; trap: string }) {
    if (prediction.isFetching && !prediction.data) {
        return known === undefined ? <p className="text-soft">Working out what this house should read …</p> : <Should figure={known} />;
    }
    if (prediction.error || !prediction.data) {
        return <Refused error={prediction.error} />;
    }
    const { expected, range, outcomes, bits, path, cautions } = prediction.data;
    return (
        <>
            <Should figure={expected} range={range} />
            <Outcomes outcomes={outcomes} />
            <p className="mt-1 text-sm text-soft">{bits < 0.01 ? 'It would tell nothing more about the cause.' : `Worth ${bits.toFixed(2)} bit as things stand.`}</p>
            {path.length > 0 && <Path steps={path} />}
            <p className="mt-1 text-sm text-soft">{trap}</p>
            {cautions.map((caution) => (
                <p key={caution} className="mt-1 text-sm font-bold">▲ {caution}</p>
            ))}
        </>
    );
}

function Should({ figure, range = '' }: { figure: string; range?: string }) {
    return (
        <>
            <p className="text-soft">This house should read</p>
            <p className="font-mono text-lg font-bold">
                {figure}
                {range !== '' && <span className="text-sm font-normal"> ({range})</span>}
            </p>
        </>
    );
}

function Path({ steps }: { steps: Schemas['PathStepView'][] }) {
    return (
        <details className="mt-1 text-sm">
            <summary className="min-h-11 cursor-pointer py-3">The way its current takes</summary>
            <table className="w-full text-left">
                <thead>
                    <tr>
                        <th className="font-normal text-soft">Through</th>
                        <th className="pr-3 font-normal text-soft">current</th>
                        <th className="font-normal text-soft">resistance</th>
                    </tr>
                </thead>
                <tbody>
                    {steps.map((step) => (
                        <tr key={step.words + String(step.resistancePercent) + String(step.currentPercent)}>
                            <td className="break-words pr-2">{step.words}</td>
                            <td className="whitespace-nowrap pr-3 font-mono">{step.currentPercent} %</td>
                            <td className="whitespace-nowrap font-mono">{step.resistancePercent} %</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </details>
    );
}
