import { useRef, type TouchEvent } from 'react';

/** How far two fingers go apart, or together, for one step of size. */
const STEP = 1.25;

function apart({ touches }: TouchEvent): number {
    const [a, b] = [touches.item(0), touches.item(1)];
    return a && b ? Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY) : 0;
}

/** Two fingers make the drawing larger or smaller, a step at a time; one finger scrolls as everywhere. */
export function usePinch(onStep: (by: 1 | -1) => void) {
    const from = useRef(0);
    return {
        onTouchStart: (event: TouchEvent) => {
            from.current = apart(event);
        },
        onTouchMove: (event: TouchEvent) => {
            const now = apart(event);
            if (now === 0 || from.current === 0) {
                return;
            }
            if (now > from.current * STEP || now < from.current / STEP) {
                onStep(now > from.current ? 1 : -1);
                from.current = now;
            }
        },
        onTouchEnd: () => {
            from.current = 0;
        },
    };
}
