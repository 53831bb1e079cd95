import { useEffect } from 'react';

/** Keys of a page: what each does, while nobody is typing and no dialogue is open. A key is as in KeyboardEvent.key, "Alt+" before it where it is held. */
export function useKeys(keys: Record<string, () => void>): void {
    useEffect(() => {
        const typed = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            if (event.defaultPrevented || event.ctrlKey || event.metaKey || target.closest('input, textarea, select, [role="dialog"], [role="listbox"]') || document.querySelector('[role="dialog"]')) {
                return;
            }
            const act = keys[event.altKey ? `Alt+${event.code.replace('Digit', '')}` : event.key];
            if (act) {
                event.preventDefault();
                act();
            }
        };
        addEventListener('keydown', typed);
        return () => removeEventListener('keydown', typed);
    });
}
