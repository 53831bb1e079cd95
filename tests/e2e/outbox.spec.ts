import { expect, test } from '@playwright/test';
import { goTo, hand, login, openCall } from './app';

const entry = (id: number, text: string) => ({
    id: `01a2304a-0000-7000-8000-${String(id).padStart(12, '0')}`,
    kind: 'told',
    at: new Date().toISOString().replace(/\.\d+Z$/, 'Z'),
    payload: { text },
});

test('a hundred entries at once on one call: all are stored, none is answered with an error', async ({ page }) => {
    await login(page);
    await openCall(page, '2 Tansy Row', 'Everything at once.');
    const call = page.url().match(/calls\/([^/]+)/)?.[1] ?? '';
    const salt = Date.now() % 1_000_000;
    const answers = await Promise.all(Array.from({ length: 100 }, (_, at) => page.request.post(`/api/calls/${call}/observations`, { data: entry(salt * 1000 + at, `Entry ${at}`) })));
    expect(answers.map((answer) => answer.status()).filter((status) => status !== 201)).toEqual([]);
    const detail = (await (await page.request.get(`/api/calls/${call}`)).json()) as { observations: { position: number; payload: { text: string } }[] };
    expect(new Set(detail.observations.map((each) => each.payload.text)).size).toBe(100);
    expect(new Set(detail.observations.map((each) => each.position)).size).toBe(100);
    // The same request again stores nothing.
    const again = await page.request.post(`/api/calls/${call}/observations`, { data: entry(salt * 1000, 'Entry 0') });
    expect(again.ok()).toBe(true);
    expect(((await (await page.request.get(`/api/calls/${call}`)).json()) as { observations: unknown[] }).observations).toHaveLength(100);
});

test('two quick presses, online and offline, store once', async ({ page, context }) => {
    await login(page);
    await openCall(page, '3 Tansy Row', 'It hums.');
    await page.getByLabel('In plain words').fill('It hums at night.');
    await page.getByRole('button', { name: 'Add', exact: true }).dblclick();
    await expect(page.getByLabel('In plain words')).toHaveValue('');
    await context.setOffline(true);
    await page.getByLabel('In plain words').fill('It hums in the morning.');
    await page.getByRole('button', { name: 'Add', exact: true }).dblclick();
    await page.getByRole('button', { name: '1 entry saved here, not stored yet' }).click();
    await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(1);
    await page.keyboard.press('Escape');
    await context.setOffline(false);
    await expect(page.getByText('saved here, not stored yet')).toHaveCount(0);
    await expect(page.getByRole('listitem').filter({ hasText: 'It hums at night.' })).toHaveCount(1);
    await expect(page.getByRole('listitem').filter({ hasText: 'It hums in the morning.' })).toHaveCount(1);
});

test('what waits is kept over a reload; another login neither sends nor loses it', async ({ page }) => {
    await login(page);
    await openCall(page, '4 Tansy Row', 'It buzzes.');
    await page.route('**/observations', (route) => route.abort());
    await page.getByLabel('In plain words').fill('It buzzes when it rains.');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByRole('button', { name: '1 entry saved here, not stored yet' })).toBeVisible();

    // Somebody else logs in on this device.
    const enter = (email: string) => page.request.post('/api/login', { data: { email, password: 'two-probes' } });
    await page.request.post('/api/logout');
    await enter('tam@brindle.example');
    const sent: string[] = [];
    await page.unroute('**/observations');
    page.on('request', (request) => request.method() === 'POST' && request.url().endsWith('/observations') && sent.push(request.url()));
    await page.reload();
    await expect(page.getByRole('button', { name: /Tam Weller/ })).toBeVisible();
    await page.getByLabel('In plain words').fill('Told to Tam.');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByRole('listitem').filter({ hasText: 'Told to Tam.' })).toHaveCount(1);
    expect(sent).toHaveLength(1);

    // Whoever made it logs in again: it is sent, once.
    await page.request.post('/api/logout');
    await enter('ines@brindle.example');
    await page.reload();
    await expect(page.getByRole('listitem').filter({ hasText: 'It buzzes when it rains.' })).toHaveCount(1);
    expect(sent).toHaveLength(2);
});

test('what the server refused stays in a list with its reason, is put right, and is then stored', async ({ page }) => {
    await login(page);
    await openCall(page, '5 Tansy Row', 'It smells.');
    await goTo(page, /Trace/);
    await hand(page, 'Leakage clamp');
    await page.getByLabel('The point is not on the map').check();
    await page.getByLabel('Where, in words').fill('at the cooker');
    await page.getByLabel('What it shows').fill('0R83');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    // The form is free for the next by then: the refused one waits in its list.
    await page.getByRole('button', { name: '1 entry refused' }).click();
    const row = page.getByRole('dialog').getByRole('listitem');
    await expect(row).toContainText('0R83');
    await expect(row.getByRole('button', { name: 'Remove from this device' })).toBeDisabled();
    await row.getByRole('button', { name: 'Put right' }).click();
    await row.getByLabel('What it showed').fill('0.83 A');
    await row.getByRole('button', { name: 'Send again' }).last().click();
    await expect(page.getByRole('dialog')).toContainText('Nothing waits here.');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'Readings', exact: true })).toContainText('0.83 A');
});
