import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import en from './en.json';
import { say } from './index';

const root = new URL('..', import.meta.url).pathname;
const sources = (readdirSync(root, { recursive: true }) as string[]).filter((file) => /\.tsx?$/.test(file) && !file.includes('.test.')).map((file) => readFileSync(root + file, 'utf8')).join('\n');
const plain = (key: string) => key.replace(/_(one|other)$/, '');
const keys = new Set(Object.keys(en).map(plain));

it('has a sentence for everything that the page says', () => {
    const said = [...sources.matchAll(/\bsay\(\s*(?:[\w.[\]()]+ (?:===|!==) [^?]*\? )?'([\w.-]+)'(?: : '([\w.-]+)')?/g)].flatMap((match) => [match[1], match[2]]).filter((key): key is string => key !== undefined);
    expect(said.length).toBeGreaterThan(100);
    expect(said.filter((key) => !keys.has(key))).toEqual([]);
});

it('holds no sentence that nobody says', () => {
    // Some keys are put together from a stem and a word of the data.
    const stems = [...sources.matchAll(/say\(`([\w.-]+)\$\{/g)].map((match) => match[1] ?? '');
    expect([...keys].filter((key) => !sources.includes(`'${key}'`) && !stems.some((stem) => key.startsWith(stem)))).toEqual([]);
});

it('chooses the plural and puts names in as they are', () => {
    expect(say('pending.waiting', { count: 1 })).toBe('1 entry saved here, not stored yet');
    expect(say('pending.waiting', { count: 2 })).toBe('2 entries saved here, not stored yet');
    expect(say('safe.stop', { place: 'Shed <& sons>' })).toContain('Shed <& sons>');
});
