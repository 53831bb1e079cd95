import type { Schemas } from '../api/client';

/** What differs from the usual values, as the API takes it. */
export function given(inputs: Schemas['SumInputView'][], typed: Record<string, string>): Record<string, string> {
    return Object.fromEntries(inputs.flatMap((input) => (typed[input.key] !== undefined && typed[input.key] !== input.usual ? [[input.key, typed[input.key] ?? '']] : [])));
}

/** Several numbers as they are typed, for a drawing; what is no number is left out. */
export function numbers(text: string): number[] {
    return text.split(/[\s;]+/).filter((each) => each !== '').map((each) => Number(each.replace(',', '.'))).filter((each) => Number.isFinite(each));
}

/** The sum in one line of a record: what went in, what came out. */
export function asText(sum: Schemas['SumView'], typed: Record<string, string>, figures: Schemas['FigureView'][]): string {
    const went = sum.inputs.map((input) => {
        const value = typed[input.key] ?? input.usual;
        return `${input.words} ${input.kind === 'choice' ? (input.choices.find((choice) => choice.slug === value)?.words ?? value) : `${value} ${input.unit}`.trim()}`;
    });
    return `Sum, ${sum.words}: ${went.join('; ')}. ${figures.map((figure) => `${figure.words}: ${figure.text}`).join('; ')}.`.slice(0, 2000);
}
