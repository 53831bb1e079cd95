import { useEffect } from 'react';

const OFF = 'yellow-probe.letters-off';

/** Whether single letters do something: they can be switched off where they come from elsewhere than a hand (WCAG 2.1.4). */
export function lettersAreOn(): boolean {
    return localStorage.getItem(OFF) === null;
}

export function switchLetters(on: boolean): void {
    if (on) {
        localStorage.removeItem(OFF);
    } else {
        localStorage.setItem(OFF, 'off');
    }
}

/** Letters that an empty field for figures leaves to the page: no figure begins with them. */
function isLeftByField(target: HTMLElement, key: string): boolean {
    const field = target.closest<HTMLInputElement>('input[data-letters]');
    return field !== null && field.value === '' && (field.dataset['letters'] ?? '').includes(key);
}

/**
 * Keys of a page: what each does, while nobody is typing and no dialogue is open. A key is as in KeyboardEvent.key, "Alt+" or
 * "Shift+Enter" where another is held.
 */
export function useKeys(keys: Record<string, () => unknown>): void {
    useEffect(() => {
        const typed = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            const isLetter = event.key.length === 1 && !event.altKey;
            if (event.defaultPrevented || event.ctrlKey || event.metaKey || document.querySelector('[role="dialog"]') || (isLetter && event.key !== '?' && !lettersAreOn())) {
                return;
            }
            if (target.closest('[role="listbox"], [role="menu"], textarea, select') || (target.closest('input') && !isLeftByField(target, event.key) && event.key !== 'Escape')) {
                return;
            }
            // A button that has the focus is pressed by Enter, and nothing else is.
            if (event.key === 'Enter' && target.closest('button, a, summary, [role="button"]')) {
                return;
            }
            const act = keys[event.altKey ? `Alt+${event.code.replace('Digit', '')}` : event.shiftKey && event.key === 'Enter' ? 'Shift+Enter' : isLetter && keys[event.key] === undefined ? event.key.toLowerCase() : event.key];
            // What says no leaves the key to the browser.
            if (act && act() !== false) {
                event.preventDefault();
            }
        };
        addEventListener('keydown', typed);
        return () => removeEventListener('keydown', typed);
    });
}
