import type { ReactNode } from 'react';
import type { Detail } from '../../api/client';
import { DangerNow, Key } from '../../call/DangerNow';
import { useMay } from '../../session/may';
import { say } from '../../words';

interface Props {
    detail: Detail;
    children: ReactNode;
    /** What is expected, or what it may show. */
    side?: ReactNode;
    /** The one thing to do next: at the same place whatever is in hand. */
    yellow: ReactNode;
    /** Beside it, never in its place. */
    neutral?: ReactNode;
    /** Keys to type with, where there is no keyboard. */
    keypad?: ReactNode;
}

/** The dock: what is in hand on the left, what it means on the right, and the one yellow button. */
export function Frame({ detail, children, side, yellow, neutral, keypad }: Props) {
    const may = useMay();
    return (
        <section aria-label="What to do" className="flex flex-col border-t-2 border-ink bg-sheet compact:min-h-0 tiny:shrink-0 wide:col-span-2 wide:grid wide:h-[230px] wide:grid-cols-[minmax(0,868fr)_minmax(0,412fr)] low:grid low:grid-cols-[minmax(0,1fr)_auto]">
            <div className="relative min-h-0 min-w-0 px-4 pt-1.5 compact:min-h-38 compact:shrink compact:overflow-y-auto low:min-h-0 wide:col-start-1 wide:row-start-1 wide:h-[228px] wide:overflow-y-auto wide:pr-[190px] low:max-h-[50dvh] tiny:max-h-none">{children}</div>
            <div className="min-h-0 min-w-0 border-line px-4 pt-1.5 pb-1 wide:row-start-1 wide:col-start-2 wide:overflow-y-auto wide:border-l compact:max-h-[15dvh] compact:shrink compact:overflow-y-auto low:hidden tiny:hidden" aria-live="polite" role="group" aria-label={say('dock.side')} tabIndex={0}>
                {side}
            </div>
            {keypad}
            <div className="relative z-10 grid shrink-0 grid-cols-[auto_minmax(0,1fr)_minmax(9rem,172px)] items-stretch gap-2 p-2 *:[direction:ltr] lefty:compact:[direction:rtl] wide:pointer-events-none wide:col-start-1 wide:row-start-1 wide:flex wide:flex-col wide:items-end wide:justify-end wide:gap-2 wide:self-end wide:p-0 wide:pr-4 wide:pb-3.5 low:col-start-2 low:row-start-1 low:w-44 low:grid-cols-1 low:content-end">
                <span className="wide:hidden low:hidden">{may('measure') && <DangerNow detail={detail} isShort onKey={false} className="h-14 w-full" />}</span>
                <span className="flex min-w-0 *:flex-1 wide:pointer-events-auto wide:block wide:w-[164px]">{neutral}</span>
                <span className="wide:pointer-events-auto">{yellow}</span>
            </div>
        </section>
    );
}

/** The yellow button. */
export function Yellow({ children, hotkey, disabled, onClick, type = 'button', form, label }: { children: ReactNode; hotkey: string; disabled?: boolean; onClick?: () => void; type?: 'button' | 'submit'; form?: string; label?: string }) {
    return (
        <button type={type} form={form} aria-label={label} data-yellow disabled={disabled} onClick={onClick} className="h-14 w-full rounded-sm border-2 border-ink bg-probe px-2 text-lg leading-tight font-bold text-[#16243b] disabled:opacity-50 wide:h-16 wide:w-[164px]">
            {children}
            <span className="block leading-none compact:hidden">
                <Key of={hotkey} />
            </span>
        </button>
    );
}

/** A button of the dock that is not the one thing to do next. */
export const neutralLook = 'min-h-14 w-full min-w-0 rounded-sm border border-ink bg-sheet px-1 py-1 font-bold leading-tight max-[380px]:text-sm wide:min-h-12 wide:px-2';
