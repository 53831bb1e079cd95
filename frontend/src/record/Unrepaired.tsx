import { useState } from 'react';
import type { Detail, Schemas } from '../api/client';
import { useObserve } from '../api/hooks';
import { Button, inputLook, Pick, Refused, useDraft } from '../ui/parts';
import { say } from '../words';

type Left = Schemas['Unrepaired'];

const ANSWERS = ['agrees', 'refuses', 'not-there'] as const;

/** What is left as it is: it is written with its class, what was done for the meantime, and what was said to whom. */
export function Unrepaired({ detail }: { detail: Detail }) {
    const key = `${detail.call.id}.left`;
    const observe = useObserve(detail.call.id);
    const accepted = detail.record.findLast((line) => line.kind === 'accepted' && line.withdrawn === null);
    const [finding, setFinding] = useDraft(`${key}.finding`);
    const [measure, setMeasure] = useDraft(`${key}.measure`);
    const [told, setTold] = useDraft(`${key}.told`);
    const [words, setWords] = useDraft(`${key}.words`);
    const [grade, setGrade] = useState<Left['class'] | ''>('');
    const [answer, setAnswer] = useState<Left['answer'] | ''>('');
    const [comeBack, setComeBack] = useState('');
    const [open, setOpen] = useState(false);
    const store = () => {
        if (grade === '' || answer === '') {
            return;
        }
        const about = accepted && finding.trim() === accepted.words.trim() ? { about: accepted.id } : {};
        observe.mutate(
            { kind: 'unrepaired', payload: { finding, class: grade, measure, told, answer, words, ...about, ...(comeBack === '' ? {} : { comeBack }) } },
            {
                onSuccess: () => {
                    [setFinding, setMeasure, setTold, setWords].forEach((set) => set(''));
                    setGrade('');
                    setAnswer('');
                    setComeBack('');
                    setOpen(false);
                },
            },
        );
    };
    const texts = [
        ['left.finding', finding, setFinding],
        ['left.measure', measure, setMeasure],
        ['left.told', told, setTold],
    ] as const;
    return (
        <section aria-label={say('left.title')}>
            <Button
                aria-expanded={open}
                onClick={() => {
                    setOpen(!open);
                    if (!open && finding === '' && accepted) {
                        setFinding(accepted.words);
                    }
                }}
            >
                {say('left.title')}
            </Button>
            {open && (
                <form
                    className="mt-3 space-y-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        store();
                    }}
                >
                    <p className="text-soft">{say('left.intro')}</p>
                    {texts.map(([label, value, set]) => (
                        <label key={label} className="block font-bold">
                            {say(label)}
                            <input className={`${inputLook} mt-1 font-normal`} required maxLength={300} value={value} onChange={(event) => set(event.target.value)} />
                        </label>
                    ))}
                    <Pick label={say('left.class')} value={grade} onChange={setGrade} options={detail.classes.map((each) => ({ slug: each.slug as Left['class'], words: each.words }))} />
                    <Pick label={say('left.answer')} value={answer} onChange={setAnswer} options={ANSWERS.map((slug) => ({ slug, words: say(`left.${slug}`) }))} />
                    <label className="block font-bold">
                        {say('left.words')}
                        <textarea className={`${inputLook} mt-1 font-normal`} rows={2} required maxLength={2000} value={words} onChange={(event) => setWords(event.target.value)} />
                    </label>
                    <label className="block font-bold">
                        {say('left.come-back')}
                        <input type="date" className={`${inputLook} mt-1 font-normal`} value={comeBack} onChange={(event) => setComeBack(event.target.value)} />
                    </label>
                    <Refused error={observe.error} />
                    <Button type="submit" disabled={observe.isPending || grade === '' || answer === ''}>
                        {say('left.store')}
                    </Button>
                </form>
            )}
        </section>
    );
}
