import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { goTo, login, prepare } from './app';

const views: { name: string; open: (page: Page) => Promise<void> }[] = [
    { name: 'calls', open: async (page) => void (await page.getByText('19 Sallow Court').waitFor()) },
    { name: 'hear', open: (page) => stage(page, 'Mrs Adeyemi-Hartley', 'Hear', 'On to covers-on tests') },
    { name: 'look', open: (page) => stage(page, 'Mrs Adeyemi-Hartley', 'Look', 'Plate bulging') },
    { name: 'survey', open: (page) => stage(page, 'Mrs Adeyemi-Hartley', 'Survey', 'What goes off together') },
    { name: 'make safe', open: (page) => stage(page, 'Mrs Adeyemi-Hartley', 'Make safe', 'Isolate and prove') },
    { name: 'trace', open: (page) => stage(page, 'Mrs Adeyemi-Hartley', 'Trace', 'Another test') },
    { name: 'put right', open: (page) => stage(page, 'Salter’s Hill', 'Put right', 'Store the repair') },
    { name: 'sums', open: async (page) => { await page.goto('/sums/phasor-sum'); await page.getByText('Added without their angles').waitFor(); } },
    { name: 'record', open: (page) => stage(page, '19 Sallow Court', 'Hand over', 'Print, A4') },
];

async function stage(page: Page, address: string, name: string, ready: string): Promise<void> {
    await page.getByText(address).first().click();
    await goTo(page, new RegExp(name));
    await page.getByText(ready).first().waitFor();
}

for (const mode of ['light', 'dark'] as const) {
    for (const width of [1280, 390]) {
        test(`nothing for axe to find, and nothing wider than the page: ${mode}, ${width} px`, async ({ browser }) => {
            test.setTimeout(240_000);
            const context = await browser.newContext({ colorScheme: mode, viewport: { width, height: width === 390 ? 844 : 800 } });
            const page = await context.newPage();
            await page.goto('/');
            await expect(page.getByRole('button', { name: 'Log in' })).toBeVisible();
            expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
            await login(page);
            for (const view of views) {
                await page.goto('/');
                await view.open(page);
                await page.waitForLoadState('networkidle');
                const found = (await new AxeBuilder({ page }).analyze()).violations.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`);
                expect(found, view.name).toEqual([]);
                const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
                expect(overflow, `${view.name} is wider than the page`).toBeLessThanOrEqual(0);
            }
            await context.close();
        });
    }
}

test('the line map is drawn from the house and never says that anything is dead', async ({ page }) => {
    await login(page);
    await stage(page, 'Mrs Adeyemi-Hartley', 'Trace', 'What fits');
    const map = page.getByRole('group', { name: 'Line map of the house' });
    await expect(map.getByRole('button', { name: /^Way: / })).toHaveCount(7);
    await expect(map.getByRole('button', { name: /^Porch: / })).toBeVisible();
    const labels = await map.getByRole('button').evaluateAll((buttons) => buttons.map((button) => button.getAttribute('aria-label') ?? ''));
    expect(labels.filter((label) => /\bis dead\b|\bdead\b(?<!expected dead)/.test(label.replaceAll('expected dead', '')))).toEqual([]);
    expect(labels.some((label) => label.includes('expected live'))).toBe(true);
});

test('placing two probes from the keyboard alone', async ({ page }) => {
    await login(page);
    await stage(page, 'Mrs Adeyemi-Hartley', 'Trace', 'What fits');
    await expect(page.getByRole('button', { name: /^Another test/ }).first()).toBeVisible();
    await page.keyboard.press('/');
    await page.getByRole('button', { name: 'Choose tester and leads yourself' }).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('t');
    await page.getByRole('radio', { name: 'Loop', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^Hearth: / }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Lead A on Hearth · L', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Lead B on Hearth · E', exact: true }).focus();
    await page.keyboard.press('Space');
    await expect(page.getByText('A on Hearth · L → B on Hearth · E')).toBeVisible();
    await expect(page.getByText('This house:')).toBeVisible();
});

for (const [width, height] of [[1280, 800], [1024, 768], [640, 400], [390, 844], [360, 740]] as const) {
    test(`while a test is in hand its field, Store and Danger are in sight without scrolling: ${width} × ${height}`, async ({ browser }) => {
        const page = await (await browser.newContext({ viewport: { width, height }, hasTouch: width < 600 })).newPage();
        await login(page);
        await stage(page, 'Mrs Adeyemi-Hartley', 'Trace', 'Another test');
        await page.getByRole('button', { name: /^Another test/ }).first().click();
        await page.getByLabel('Find', { exact: true }).fill('loop high hearth');
        await page.getByRole('dialog').getByText('Loop, high current, line–earth at Hearth', { exact: true }).first().click();
        await prepare(page);
        // With all that comes later too: what is expected, and what it would mean.
        await page.getByLabel('What it shows').fill('0.44');
        await expect(page.getByText('This house:')).toBeAttached();
        for (const found of [page.getByLabel('What it shows'), page.getByRole('button', { name: 'Store', exact: true }), page.getByRole('button', { name: 'Danger: main off' })]) {
            await expect(found).toBeInViewport({ ratio: 1 });
            // Nothing lies over it: a trial press goes through.
            await found.click({ trial: true });
        }
        expect(await page.evaluate(() => document.scrollingElement?.scrollTop)).toBe(0);
        await page.context().close();
    });
}
