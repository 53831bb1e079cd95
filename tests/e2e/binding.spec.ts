import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { login } from './app';

const READINGS = Number(process.env['E2E_READINGS'] ?? '16');

/** A small generator with a seed of its own: the same run every time. */
function random(seed: number): () => number {
    let state = seed;
    return () => {
        state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
        return state / 2 ** 32;
    };
}

interface Member {
    id: string;
    instrument: string;
    changes: unknown[];
}

test(`${READINGS} figures typed at any speed, with a server that is slow, fails, refuses and is away: each is stored for the place it was typed under`, async ({ page }) => {
    test.setTimeout(60_000 + READINGS * 4_000);
    const next = random(20261201);
    await login(page);
    // A house of its own: nothing in it is switched by anybody else.
    const uuid = () => `0193${Date.now().toString(16).slice(-4)}-0000-7000-8000-${Math.random().toString(16).slice(2, 14).padEnd(12, '0')}`;
    const [house, id] = [uuid(), uuid()];
    for (const [path, data] of [
        ['houses', { id: house, address: '7 Binding Row', document: JSON.parse(readFileSync('../demo/houses/wicket-lane.json', 'utf8')) as unknown }],
        ['calls', { id, address: '7 Binding Row', customer: 'Mr Pell', complaint: 'Half of it is dead.', visit: 'fault', houseId: house, openedAt: '2026-11-20T09:00:00Z' }],
    ] as const) {
        expect((await page.request.post(`/api/${path}`, { data })).status()).toBe(201);
    }
    await page.goto(`/calls/${id}/trace`);
    await expect(page.getByText(/^What fits/)).toBeAttached({ timeout: 60_000 });

    const units = new Map(((await (await page.request.get('/api/instruments')).json()) as { slug: string; unit: string; acts: boolean }[]).map((each) => [each.slug, each.acts ? '' : each.unit]));
    const runs: { id: string; words: string }[] = [];
    let many = 0;
    const all = (await (await page.request.get(`/api/calls/${id}/runs`)).json()) as { id: string; words: string; done: number }[];
    // From point to point with nothing to switch before: loops, currents in earths, volts.
    for (const run of all.filter((each) => /^(zs|cpc-current|polarity-live|ne-under-load|volt-drop)/.test(each.id) && !each.id.endsWith(':loads'))) {
        const { members } = (await (await page.request.get(`/api/calls/${id}/run?series=${encodeURIComponent(run.id)}`)).json()) as { members: Member[] };
        if (run.done === 0 && members.every((member) => member.changes.length === 0 && units.get(member.instrument) !== '')) {
            runs.push(run);
            many += members.length;
        }
        if (many >= READINGS) {
            break;
        }
    }
    expect(many, 'the house has not that many places that can be read as it stands').toBeGreaterThanOrEqual(Math.min(READINGS, 20));

    await page.route('**/api/calls/**', async (route) => {
        const chance = next();
        const isStore = route.request().url().endsWith('/observations');
        await new Promise((resolve) => setTimeout(resolve, chance < 0.3 ? 1500 * next() : 60 * next()));
        if (isStore && chance > 0.95) {
            return route.abort('internetdisconnected');
        }
        if (isStore && chance > 0.92) {
            return route.fulfill({ status: 503, contentType: 'application/problem+json', body: JSON.stringify({ title: 'Away', status: 503, detail: 'Away.' }) });
        }
        if (isStore && chance > 0.9) {
            return route.fulfill({ status: 422, contentType: 'application/problem+json', body: JSON.stringify({ title: 'No', status: 422, detail: 'Refused by the test.', pointer: '/payload/raw' }) });
        }
        return route.continue();
    });

    const typed: { where: string; raw: string }[] = [];
    const read = () => page.evaluate(() => (document.querySelector('[data-reading]') === null ? null : (document.querySelector('#field-where') as HTMLElement).innerText));
    for (const run of runs) {
        await page.keyboard.press('/');
        await page.getByLabel('Find', { exact: true }).fill(run.words.replace(/[,–()°×]/g, ' '));
        await page.getByRole('dialog').getByRole('button', { name: run.words }).first().click();
        await expect(page.getByLabel('What it shows')).toBeVisible({ timeout: 60_000 });
        await page.getByLabel('What it shows').focus();
        for (let where = await read(); where !== null && typed.length < READINGS; where = await read()) {
            const raw = (1 + typed.length / 1000).toFixed(3);
            for (const key of raw) {
                await page.keyboard.press(key);
                if (next() < 0.3) {
                    await new Promise((resolve) => setTimeout(resolve, 60 * next()));
                }
            }
            expect(await read()).toBe(where);
            typed.push({ where, raw });
            await page.keyboard.press('Enter');
        }
        await page.getByRole('button', { name: 'End the run' }).first().click();
    }
    expect(typed.length).toBeGreaterThan(0);

    // The signal is back: what waits is sent, what was refused is sent again.
    await page.unrouteAll({ behavior: 'wait' });
    await expect(async () => {
        const open = page.getByRole('button', { name: /entr(y|ies) (saved here|refused)/ });
        if (await open.isVisible()) {
            await open.click();
            for (const again of await page.getByRole('dialog').getByRole('button', { name: 'Send again' }).all()) {
                await again.click({ timeout: 1_000 }).catch(() => undefined);
            }
            await page.getByRole('dialog').getByRole('button', { name: 'Try now' }).click({ timeout: 1_000 }).catch(() => undefined);
            await page.keyboard.press('Escape');
        }
        const { readings } = (await (await page.request.get(`/api/calls/${id}`)).json()) as { readings: { where: string; raw: string }[] };
        const stored = readings.map((reading) => `${reading.raw} ${reading.where}`);
        expect(typed.filter((each) => !stored.includes(`${each.raw} ${each.where}`))).toEqual([]);
        // Nothing twice, and nothing anywhere else.
        expect(stored.filter((each) => /^1\.\d{3} /.test(each)).length).toBe(typed.length);
    }).toPass({ timeout: 120_000, intervals: [2_000] });
});
