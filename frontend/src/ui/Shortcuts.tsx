import { useState } from 'react';
import { useKeys } from './keys';
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
            ['f', 'find a point or a way'],
            ['r', 'type a reading; Enter stores it'],
            ['n', 'set up the next test'],
            ['b', 'begin a run of readings'],
            ['s', 'switch, unplug, lift'],
            ['+ −', 'map larger, smaller'],
        ],
    },
    { where: 'Survey', keys: [['a letter', 'what the way feeds; “Keys” lists them'], ['Ctrl Enter', 'draw up the house']] },
    { where: 'Readings as people write them', keys: [['0,83  1k2', 'a decimal comma, a prefix in the middle'], ['>999M  OL', 'beyond the range']] },
];

/** The sheet of shortcuts, on "?". */
export function Shortcuts() {
    const [open, setOpen] = useState(false);
    useKeys({ '?': () => setOpen(true) });
    return (
        <>
            <button type="button" className="min-h-11 min-w-11 px-2 underline underline-offset-4 max-sm:hidden" aria-label="Keyboard shortcuts" onClick={() => setOpen(true)}>
                ?
            </button>
            <Modal open={open} onClose={() => setOpen(false)} title="Shortcuts">
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
