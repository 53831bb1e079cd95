import { useState } from 'react';
import { say } from '../words';
import { lettersAreOn, switchLetters, useKeys } from './keys';
import { Modal } from './parts';

const sheet: { where: string; keys: [string, string][] }[] = [
    {
        where: 'Everywhere',
        keys: [
            ['?', 'this sheet'],
            ['Tab', 'on to the next thing; Enter or Space to do it'],
            ['Esc', 'close what is open'],
        ],
    },
    { where: 'In a call', keys: [['Alt 1 … 7', 'Hear, Look, Make safe, Survey, Trace, Put right, Hand over']] },
    {
        where: 'Trace',
        keys: [
            ['N', 'the yellow button, when no field waits'],
            ['Enter', 'store; step done'],
            ['Shift Enter', 'all steps left'],
            ['0 1', 'a plug-in tester’s lamps, three keys'],
            ['1 2', 'the alternatives, when no field waits'],
            ['/', 'find any other test, or a run of readings'],
            ['F', 'find a point or a way'],
            ['↑ ↓ ← →', 'the circuit, the point; in a run, the place before or after'],
            ['A B, L N E', 'the first or second lead, then the conductor it goes on'],
            ['R', 'type a reading'],
            ['T', 'another tester'],
            ['Z', 'undo the last reading'],
            ['X', 'leave a step out'],
            ['Esc', 'another test; end the run'],
            ['S', 'switch, unplug, lift'],
            ['P', 'what is not put back yet'],
            ['V', 'the ranking'],
            ['G', 'large figures'],
            ['!', 'danger'],
            ['+ −', 'map larger, smaller'],
        ],
    },
    { where: 'Survey', keys: [['a letter', 'what the way feeds; “Keys” lists them'], ['Ctrl Enter', 'draw up the house']] },
    { where: 'Readings as people write them', keys: [['0,83  1k2', 'a decimal comma, a prefix in the middle'], ['>999M  OL', 'beyond the range']] },
];

/** The sheet of shortcuts, on "?". */
export function Shortcuts() {
    const [open, setOpen] = useState(false);
    const [letters, setLetters] = useState(lettersAreOn);
    useKeys({ '?': () => setOpen(true) });
    return (
        <>
            <button type="button" className="min-h-11 min-w-11 px-2 underline underline-offset-4 max-sm:hidden" aria-label="Keyboard shortcuts" onClick={() => setOpen(true)}>
                ?
            </button>
            <Modal open={open} onClose={() => setOpen(false)} title="Shortcuts">
                <label className="mb-2 flex min-h-11 items-center gap-2">
                    <input
                        type="checkbox"
                        className="size-5 accent-(--ink)"
                        checked={letters}
                        onChange={(event) => {
                            switchLetters(event.target.checked);
                            setLetters(event.target.checked);
                        }}
                    />
                    {say('keys.letters')}
                </label>
                {sheet.map((part) => (
                    <section key={part.where} className="mb-3">
                        <h3 className="border-b border-ink font-bold">{part.where}</h3>
                        <dl className="grid grid-cols-[8rem_1fr]">
                            {part.keys.map(([key, words]) => (
                                <div key={key} className="contents">
                                    <dt className="font-mono font-bold">{key}</dt>
                                    <dd>{words}</dd>
                                </div>
                            ))}
                        </dl>
                    </section>
                ))}
            </Modal>
        </>
    );
}
