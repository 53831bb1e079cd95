/** The stages of a call in the order of the work. */
export const stages = [
    { slug: 'hear', words: 'Hear' },
    { slug: 'look', words: 'Look' },
    { slug: 'make-safe', words: 'Make safe' },
    { slug: 'survey', words: 'Survey' },
    { slug: 'trace', words: 'Trace' },
    { slug: 'put-right', words: 'Put right' },
    { slug: 'hand-over', words: 'Hand over' },
] as const;

export type Stage = (typeof stages)[number]['slug'];

export const stageWords: Record<string, string> = { ...Object.fromEntries(stages.map((stage) => [stage.slug, stage.words])), closed: 'Closed' };
