import { Dialog, DialogPanel, DialogTitle, Field, Label, Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { useEffect, useState, type ComponentProps, type ReactNode } from 'react';
import { Refusal } from '../api/client';
import { keep } from './storage';

/** One button look for all; "next" is the one thing to do next and the only yellow one on a page. */
export function Button({ look = 'plain', className = '', ...rest }: ComponentProps<'button'> & { look?: 'plain' | 'next' | 'quiet' | 'danger' }) {
    const looks = {
        plain: 'border border-ink bg-sheet',
        next: 'border-2 border-ink bg-probe text-[#16243b] font-bold',
        quiet: 'underline underline-offset-4 px-2',
        danger: 'border-2 border-bad text-bad font-bold bg-sheet',
    };
    return <button type="button" className={`min-h-11 rounded-sm px-4 py-2 text-left disabled:opacity-50 ${looks[look]} ${className}`} {...rest} />;
}

const marks = {
    good: { shape: '●', word: 'Good', color: 'text-good' },
    doubt: { shape: '▲', word: 'In doubt', color: 'text-doubt' },
    bad: { shape: '◆', word: 'Bad', color: 'text-bad' },
    fits: { shape: '●', word: 'As this house should', color: 'text-good' },
    unsure: { shape: '▲', word: 'A little off', color: 'text-doubt' },
    off: { shape: '◆', word: 'Not what this house should read', color: 'text-bad' },
};

/** A judgement in shape and word, never by colour alone. */
export function Mark({ of, word }: { of: string; word?: string }) {
    const mark = marks[of as keyof typeof marks] ?? marks.doubt;
    return (
        <span className={`font-bold ${mark.color}`}>
            <span aria-hidden="true">{mark.shape} </span>
            {word ?? mark.word}
        </span>
    );
}

export function Refused({ error }: { error: unknown }) {
    if (!error) {
        return null;
    }
    const detail = error instanceof Refusal ? error.message : 'Something went wrong on this page. Load it again; what you typed is kept.';
    return (
        <p role="alert" className="border-l-4 border-bad bg-sheet px-3 py-2 text-bad">
            <span aria-hidden="true">◆ </span>
            {detail}
        </p>
    );
}

export function Waiting({ what }: { what: string }) {
    return (
        <p role="status" className="py-3 text-soft">
            {what} …
        </p>
    );
}

export const inputLook = 'block w-full min-h-11 rounded-sm border border-ink bg-sheet px-3 py-2 text-ink placeholder:text-soft';

export function Pick<T extends string>({ label, value, options, onChange, empty }: { label: string; value: T | ''; options: { slug: T; words: string }[]; onChange: (value: T | '') => void; empty?: string }) {
    const words = options.find((option) => option.slug === value)?.words ?? empty ?? 'Choose';
    return (
        <Field>
            <Label className="mb-1 block font-bold">{label}</Label>
            <Listbox value={value} onChange={onChange}>
                <ListboxButton className={`${inputLook} flex items-center justify-between text-left`}>
                    {words}
                    <span aria-hidden="true">▾</span>
                </ListboxButton>
                <ListboxOptions anchor="bottom start" className="z-30 w-(--button-width) border border-ink bg-sheet text-ink shadow-lg [--anchor-gap:2px]">
                    {[...(empty === undefined ? [] : [{ slug: '' as const, words: empty }]), ...options].map((option) => (
                        <ListboxOption key={option.slug} value={option.slug} className="min-h-11 cursor-pointer px-3 py-2 data-focus:bg-ink data-focus:text-paper data-selected:font-bold">
                            {option.words}
                        </ListboxOption>
                    ))}
                </ListboxOptions>
            </Listbox>
        </Field>
    );
}

export function Modal({ open, onClose, title, children }: { open: boolean; onClose: () => void; title: string; children: ReactNode }) {
    return (
        <Dialog open={open} onClose={onClose} className="relative z-20">
            <div className="fixed inset-0 bg-black/50" aria-hidden="true" />
            <div className="fixed inset-0 overflow-y-auto p-3">
                <DialogPanel className="mx-auto mt-6 max-w-xl border-2 border-ink bg-paper p-5 text-ink">
                    <DialogTitle className="mb-3 text-xl font-bold">{title}</DialogTitle>
                    {children}
                </DialogPanel>
            </div>
        </Dialog>
    );
}

/** Text that stays on this device until it was stored: nothing typed is lost on reload, back or a lost session. */
export function useDraft(key: string): [string, (text: string) => void] {
    const full = `yellow-probe.draft.${key}`;
    const [text, setText] = useState(() => localStorage.getItem(full) ?? '');
    useEffect(() => keep(full, text === '' ? null : text), [full, text]);
    return [text, setText];
}

export function clock(at: string): string {
    return new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

export function day(at: string): string {
    return new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
}

/** A time of day, with its date where that is another than the one beside it. */
export function moment(at: string, beside: string): string {
    return day(at) === day(beside) ? clock(at) : `${day(at)}, ${clock(at)}`;
}
