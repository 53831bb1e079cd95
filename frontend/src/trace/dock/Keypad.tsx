import { say } from '../../words';

const ROWS = [
    ['7', '8', '9', 'undo'],
    ['4', '5', '6', 'over'],
    ['1', '2', '3', 'prefix'],
    ['.', '0', 'erase', 'none'],
];

/** Prefixes in the order that a tap goes through; none is the unit that the tester usually shows. */
const PREFIXES = ['k', 'M', 'm', ''];

/** Keys for a thumb: a system's keyboard would cover half of the page. */
export function Keypad({ raw, onChange, onUndo }: { raw: string; onChange: (raw: string) => void; onUndo: (() => void) | null }) {
    const press = (key: string) => {
        switch (key) {
            case 'erase':
                return onChange(raw.slice(0, -1));
            case 'over':
                return onChange(raw === '' ? 'OL' : `>${raw.replace(/^>/, '')}`);
            case 'none':
                return onChange('no reading');
            case 'prefix': {
                const bare = raw.replace(/[kMm]$/, '');
                return onChange(bare + (PREFIXES[(PREFIXES.indexOf(raw.slice(bare.length)) + 1) % PREFIXES.length] ?? ''));
            }
            case 'undo':
                return onUndo?.();
            default:
                return onChange((/^[\d.>]/.test(raw) ? raw : '') + key);
        }
    };
    return (
        <div role="group" aria-label={say('keypad')} className="grid shrink-0 grid-cols-4 gap-1.5 px-2 pt-1.5 low:col-span-2 low:hidden wide:hidden">
            {ROWS.flat().map((key) => (
                <button key={key} type="button" disabled={key === 'undo' && onUndo === null} aria-label={/^[\d.]$/.test(key) ? undefined : say(`keypad.${key}`)} onClick={() => press(key)} className={`h-11 rounded-sm border border-soft bg-paper leading-tight font-bold disabled:opacity-40 ${/^[\d.]$/.test(key) ? 'text-xl' : 'text-sm'}`}>
                    {key === 'erase' ? '⌫' : /^[\d.]$/.test(key) ? (key === '.' ? '. ,' : key) : say(`keypad.${key}`)}
                </button>
            ))}
        </div>
    );
}
