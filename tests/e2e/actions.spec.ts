import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { login, ranked } from './app';

/** Counts what a person does: each key that goes down, each press of a mouse or a finger. */
async function counting(page: Page): Promise<(work: () => Promise<void>) => Promise<number>> {
    await page.addInitScript(() => {
        const counted = window as unknown as { actions: number };
        counted.actions = 0;
        for (const kind of ['keydown', 'pointerdown']) {
            addEventListener(kind, (event) => (counted.actions += event.isTrusted ? 1 : 0), { capture: true });
        }
    });
    const read = () => page.evaluate(() => (window as unknown as { actions: number }).actions);
    return async (work) => {
        const before = await read();
        await work();
        return (await read()) - before;
    };
}

/** A call at a house of its own, open at Trace. */
async function atWork(page: Page, address: string): Promise<string> {
    const uuid = () => `0193${Date.now().toString(16).slice(-4)}-0000-7000-8000-${Math.random().toString(16).slice(2, 14).padEnd(12, '0')}`;
    const [house, id] = [uuid(), uuid()];
    expect((await page.request.post('/api/houses', { data: { id: house, address, document: JSON.parse(readFileSync('../demo/houses/wicket-lane.json', 'utf8')) as unknown } })).status()).toBe(201);
    expect((await page.request.post('/api/calls', { data: { id, address, customer: 'Mr Pell', complaint: 'Half of it is dead.', visit: 'fault', houseId: house, openedAt: '2026-11-20T09:00:00Z' } })).status()).toBe(201);
    await page.goto(`/calls/${id}/trace`);
    await expect(page.getByText(/^What fits/)).toBeAttached({ timeout: 60_000 });
    return id;
}

test('how many actions work takes: a reading, a plug-in tester, another test by taps and by keys', async ({ page }) => {
    test.setTimeout(180_000);
    const count = await counting(page);
    await login(page);
    await atWork(page, '9 Counting Row');
    const dock = page.getByRole('region', { name: 'What to do' });
    const field = page.getByLabel('What it shows');
    const chosen = page.getByRole('dialog', { name: /Another test/ });

    // From something else to a test set up, by the keyboard: the search, its letters, the first that is found.
    const byKeys = await count(async () => {
        await page.keyboard.press('/');
        await expect(page.getByLabel('Find', { exact: true })).toBeFocused();
        await page.keyboard.type('zs');
        await expect(chosen.getByRole('listitem').first()).toContainText(/loop/i);
        await page.waitForLoadState('networkidle');
        await page.keyboard.press('Enter');
        await expect(field).toBeVisible({ timeout: 60_000 });
    });
    expect(byKeys).toBeLessThanOrEqual(5);

    // A reading is its digits and Enter.
    const reading = await count(async () => {
        await page.keyboard.type('0.41');
        await page.keyboard.press('Enter');
        await expect(dock.getByRole('status').first()).toContainText('0.41');
    });
    expect(reading).toBe('0.41'.length + 1);
    await page.keyboard.press('Escape');

    // The same with a finger or a mouse: another test, its place, the test.
    await page.getByRole('button', { name: /^(Hearth: |Sink: )/ }).first().click();
    const byTaps = await count(async () => {
        await dock.getByRole('button', { name: /^Another test/ }).first().click();
        await chosen.getByRole('listitem').getByRole('button').first().click();
        await expect(chosen).toHaveCount(0);
        await expect(field.or(page.getByRole('list', { name: 'Steps before the reading' })).or(page.getByRole('group', { name: 'What the lamps show' })).first()).toBeVisible({ timeout: 60_000 });
    });
    expect(byTaps).toBeLessThanOrEqual(3);
    await page.keyboard.press('Escape');

    // A plug-in tester: the point, the picture.
    await dock.getByRole('button', { name: /^Another test/ }).first().click();
    await page.getByRole('button', { name: 'Choose tester and leads yourself' }).click();
    await dock.getByRole('form', { name: 'Reading' }).getByRole('button').first().click();
    await page.getByRole('radio', { name: 'Plug-in tester', exact: true }).click();
    const plugged = await count(async () => {
        await page.getByRole('button', { name: /^Worktop: / }).first().click();
        await dock.getByRole('button', { name: 'L–N lit, L–E lit, N–E dark' }).click();
        await expect(dock.getByRole('status').filter({ hasText: '110' })).toBeVisible();
    });
    expect(plugged).toBe(2);
});

test('a preparation goes on on another device of the same person, with its steps as they were listed', async ({ page, browser }) => {
    test.setTimeout(120_000);
    await login(page);
    const id = await atWork(page, '11 Counting Row');
    await ranked(page, id);
    // One with a lamp or a lever to be switched and nothing to be made safe.
    const found = (await (await page.request.get(`/api/calls/${id}/tests?where=any&search=drop`)).json()) as { id: string }[];
    let wanted: { words: string; changes: { words: string }[] } | undefined;
    for (const each of found) {
        const full = (await (await page.request.get(`/api/calls/${id}/test?test=${encodeURIComponent(each.id)}`)).json()) as { words: string; needsIsolation: boolean; changes: { words: string; clampFirst: string | null }[] };
        if (!full.needsIsolation && full.changes.length >= 1 && full.changes.every((step) => step.clampFirst === null)) {
            wanted = full;
            break;
        }
    }
    expect(wanted, 'no test of this house has a step that can be done live').toBeDefined();
    await page.keyboard.press('/');
    await page.getByLabel('Find', { exact: true }).fill((wanted?.words ?? '').replace(/[,–()°×·]/g, ' '));
    await page.getByRole('dialog').getByRole('button', { name: new RegExp(`^${(wanted?.words ?? '').replace(/[.*+?^${}()|[\]\\]/g, '\\$&')} ?(under|\\d)`) }).first().click();
    const steps = page.getByRole('list', { name: 'Steps before the reading' });
    await expect(steps.getByRole('listitem')).toHaveCount(wanted?.changes.length ?? 0);
    await expect(async () => expect(((await (await page.request.get(`/api/calls/${id}/in-hand`)).json()) as { test: string }).test).not.toBe('')).toPass();

    const other = await browser.newPage({ viewport: { width: 390, height: 844 } });
    await login(other, true);
    await other.goto(`/calls/${id}/trace`);
    const there = other.getByRole('list', { name: 'Steps before the reading' });
    await expect(there.getByRole('listitem')).toHaveCount(wanted?.changes.length ?? 0, { timeout: 60_000 });
    await other.getByRole('region', { name: 'What to do' }).locator('[data-yellow]').click();
    await expect(async () => {
        await page.reload();
        await expect(steps.getByText('✓').or(page.getByLabel('What it shows')).first()).toBeVisible();
    }).toPass();
    await other.close();
});
