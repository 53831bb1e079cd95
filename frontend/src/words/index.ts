import i18next from 'i18next';
import en from './en.json';

/** What the page says: one catalogue a language. Adding one is a file here and a line below. */
const words = i18next.createInstance();
void words.init({ lng: 'en', resources: { en: { translation: en } }, interpolation: { escapeValue: false }, initAsync: false, returnNull: false, keySeparator: false, nsSeparator: false });

export type Key = keyof typeof en;

/** A sentence of the catalogue with what stands in it; a count chooses its plural. */
export function say(key: Key | (string & {}), values: Record<string, string | number> = {}): string {
    return words.t(key, values);
}
