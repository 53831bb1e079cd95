import { useLayoutEffect, useRef } from 'react';
import type { Schemas } from '../../api/client';
import { say } from '../../words';
import type { Entering } from '../entering';
import type { Field } from '../field';

/** Where a reading is typed. Digits typed anywhere on the page land here and nowhere else. */
export function Figures({ field, instrument, entering, isLarge, isTouch, isJudged = false }: { field: Field; instrument: Schemas['InstrumentView']; entering: Entering; isLarge: boolean; isTouch: boolean; isJudged?: boolean }) {
    const input = useRef<HTMLInputElement>(null);
    // The field takes the focus over when it opens; a finger must not find the system's keys over the page then.
    useLayoutEffect(() => {
        if (document.activeElement === document.body || document.activeElement === null || document.activeElement.closest('[aria-label="What to do"]') !== null) {
            input.current?.focus({ preventScroll: true });
        }
    }, [field.key]);
    return (
        <div className="flex items-end gap-2 border-b-4 border-ink">
            <input
                key={field.key}
                ref={input}
                data-reading
                // "No reading" begins with an n: that is free only where one was just stored.
                data-letters={instrument.patterns.length > 0 ? '' : `gzspvtfab/!?${isJudged ? 'n' : ''}`}
                aria-label={say('enter.shows')}
                aria-describedby="field-where"
                className={`block w-full min-w-0 flex-1 bg-transparent font-mono leading-none font-bold outline-none ${isLarge ? 'text-[clamp(4rem,22vw,9.5rem)] wide:text-[6.5rem]' : 'text-[3.4rem] wide:text-[4.6rem] low:text-[2.6rem]'}`}
                autoComplete="off"
                autoCapitalize="off"
                inputMode={isTouch ? 'none' : 'text'}
                spellCheck={false}
                maxLength={24}
                value={entering.raw}
                onChange={(event) => entering.change(event.target.value)}
            />
            <span className="pb-2 font-mono text-2xl">{instrument.typed}</span>
        </div>
    );
}
