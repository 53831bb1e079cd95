import type { Schemas } from '../api/client';
import type { usePrediction } from '../api/hooks';
import { Refused } from '../ui/parts';
import { say } from '../words';
import { Outcomes } from './Outcomes';

/** What this house should read where the leads are, what each outcome would mean, and the way the current takes. */
export function Expected({ prediction, known, trap, glance }: { prediction: ReturnType<typeof usePrediction>; known: string | undefined; trap: string; glance: Schemas['GlanceView'] | undefined }) {
    if (prediction.isFetching && !prediction.data) {
        return known === undefined ? <p className="text-soft">{say('expected.working')}</p> : <Should figure={known} range="" />;
    }
    if (prediction.error || !prediction.data) {
        return <Refused error={prediction.error} />;
    }
    const { expected, range, outcomes, from, to, worth, path, cautions } = prediction.data;
    return (
        <>
            <Should figure={expected} range={range} />
            {cautions.map((caution) => (
                <p key={caution} className="text-sm font-bold">▲ {caution}</p>
            ))}
            <Outcomes outcomes={outcomes} title="" house={{ from, to }} glance={glance} />
            <p className="text-sm text-soft">{say('expected.worth', { worth: say(`worth.${worth}`) })}</p>
            {path.length > 0 && <Path steps={path} />}
            <p className="text-sm text-soft">{trap}</p>
        </>
    );
}

function Should({ figure, range }: { figure: string; range: string }) {
    return (
        <p className="leading-tight font-bold">
            {say('expected.this-house')} <span className="font-mono text-lg">{figure}</span>
            {range !== '' && <span className="font-mono text-sm font-normal"> ({range})</span>}
        </p>
    );
}

function Path({ steps }: { steps: Schemas['PathStepView'][] }) {
    return (
        <details className="text-sm">
            <summary className="min-h-11 cursor-pointer py-3">{say('expected.path')}</summary>
            <table className="w-full text-left">
                <thead>
                    <tr>
                        <th className="font-normal text-soft">{say('expected.through')}</th>
                        <th className="pr-3 font-normal text-soft">{say('expected.current')}</th>
                        <th className="font-normal text-soft">{say('expected.resistance')}</th>
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
