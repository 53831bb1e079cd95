// Counts what a hand does in Trace, and how long the next field of a run takes while the server is slow:
// npm run actions, with bin/start running. Prints a table.
import { chromium } from '@playwright/test';

const base = process.env.E2E_URL ?? 'http://127.0.0.1:8090';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'] });
const rows = [];
let count = 0;
const tap = async (target) => {
    ++count;
    await target.click();
};
const press = async (page, key) => {
    ++count;
    await page.keyboard.press(key);
};

async function trace(options = {}) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options })).newPage();
    await page.goto(base);
    await page.getByLabel('E-mail').fill('ines@brindle.example');
    await page.getByLabel('Password').fill('two-probes');
    await page.getByRole('button', { name: 'Log in' }).click();
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await page.waitForURL(/\/calls\//);
    await page.keyboard.press('Alt+5');
    await page.getByText(/^What fits/).waitFor({ state: 'attached' });
    return page;
}

const isStored = (page, raw) => page.getByRole('region', { name: 'Readings', exact: true }).getByText(raw, { exact: true }).first().waitFor({ state: 'attached' });

// From "something else" to a test that is set up, by keys and by taps.
let page = await trace();
await page.getByRole('button', { name: /^Hearth: / }).click();
count = 0;
for (const key of ['/', 'z', 's']) {
    await press(page, key);
}
await page.getByRole('dialog').getByText(/^Loop.*at Hearth/).first().waitFor();
await press(page, 'Enter');
await page.getByLabel('What it shows').waitFor();
rows.push(['from "something else" to a test set up, keys', count]);
// One reading of three digits, once its test is set up.
count = 0;
for (const key of ['0', '.', '4', '4', 'Enter']) {
    await press(page, key);
}
await isStored(page, '0.44');
rows.push(['one reading of four characters', count]);
await page.getByRole('button', { name: 'Next test' }).click();
count = 0;
await tap(page.getByRole('button', { name: /^Another test/ }).first());
await tap(page.getByRole('dialog').getByRole('button', { name: /at Hearth/ }).filter({ hasText: /min/ }).first());
await page.getByRole('form', { name: 'Reading' }).waitFor();
rows.push(['from "something else" to a test set up, taps', count]);
await page.context().close();

// A plug-in tester: the point and the picture.
page = await trace();
await page.keyboard.press('/');
await page.getByRole('button', { name: 'Choose tester and leads yourself' }).click();
count = 0;
await tap(page.getByRole('button', { name: /^Dining: / }));
await tap(page.getByRole('button', { name: 'L–N lit, L–E lit, N–E dark' }));
await isStored(page, '110');
rows.push(['plug-in tester, point and pattern', count]);
await page.context().close();

// The next field of a run after Store, with 1.5 s more for every answer.
page = await trace();
await page.keyboard.press('/');
await page.getByLabel('Find', { exact: true }).fill('loop ring ground floor every');
await page.getByRole('dialog').getByRole('button', { name: /every point of Ring, ground floor/ }).first().click();
await page.getByLabel('What it shows').waitFor();
await page.route('**/api/**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
});
const waits = [];
for (const raw of ['0.31', '0.32', '0.33', '0.34', '0.35']) {
    await page.getByLabel('What it shows').fill(raw);
    waits.push(
        await page.evaluate(async () => {
            const place = document.querySelector('#field-where').innerText;
            const begun = performance.now();
            document.querySelector('form#reading').requestSubmit();
            while (document.querySelector('#field-where')?.innerText === place || document.querySelector('[data-reading]')?.value !== '' || document.activeElement !== document.querySelector('[data-reading]')) {
                await new Promise((resolve) => requestAnimationFrame(resolve));
            }
            return performance.now() - begun;
        }),
    );
}
rows.push(['next field of a run after Store, server 1.5 s slower, longest of five, ms', Math.round(Math.max(...waits))]);
await page.context().close();

// What Trace asks for before its first field, compressed.
page = await (await browser.newContext()).newPage();
let bytes = 0;
page.on('response', async (response) => {
    if (response.url().endsWith('.js')) {
        bytes += (await response.request().sizes()).responseBodySize;
    }
});
await page.goto(base);
await page.getByLabel('E-mail').fill('ines@brindle.example');
await page.getByLabel('Password').fill('two-probes');
await page.getByRole('button', { name: 'Log in' }).click();
await page.getByText('Mrs Adeyemi-Hartley').first().click();
await page.waitForURL(/\/calls\//);
await page.keyboard.press('Alt+5');
await page.getByText(/^What fits/).waitFor({ state: 'attached' });
await page.waitForLoadState('networkidle');
rows.push(['script before the first field, kB compressed', Math.round(bytes / 1000)]);

// Field, Store and Danger in sight without scrolling.
for (const [width, height] of [[1280, 800], [1024, 768], [640, 400], [390, 844], [360, 740]]) {
    page = await trace({ viewport: { width, height }, hasTouch: width < 600 });
    await page.getByRole('button', { name: /^Another test/ }).first().click();
    await page.getByLabel('Find', { exact: true }).fill('loop high hearth');
    await page.getByRole('dialog').getByRole('button', { name: /^Loop.*at Hearth/ }).first().click();
    await page.getByLabel('What it shows').waitFor();
    await page.waitForTimeout(1500);
    const hidden = await page.evaluate(() =>
        ['[data-reading]', '[data-yellow]', '[aria-label="Danger: main off"]'].filter((selector) => {
            const found = [...document.querySelectorAll(selector)].filter((each) => each.getBoundingClientRect().width > 0);
            return !found.some((each) => {
                const box = each.getBoundingClientRect();
                const at = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
                return box.top >= 0 && box.left >= 0 && box.bottom <= innerHeight && box.right <= innerWidth && (at === each || each.contains(at));
            });
        }),
    );
    rows.push([`field, Store and Danger in sight at ${width} × ${height}`, hidden.length === 0 ? 'yes' : `not ${hidden.join(', ')}`]);
    await page.context().close();
}
for (const [what, figure] of rows) {
    console.log(`| ${what} | ${figure} |`);
}
await browser.close();
