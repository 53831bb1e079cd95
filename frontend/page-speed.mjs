// How fast the trace page answers: npm run page-speed, with bin/start running and fresh. DELAY=150 adds so many ms to every answer.
import { chromium } from '@playwright/test';

const base = process.env.E2E_URL ?? 'http://127.0.0.1:8090';
const delay = Number(process.env.DELAY ?? 0);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] });
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })).newPage();
await page.goto(base);
await page.getByLabel('E-mail').fill('ines@brindle.example');
await page.getByLabel('Password').fill('two-probes');
await page.getByRole('button', { name: 'Log in' }).click();
await page.getByText('Mrs Adeyemi-Hartley').first().click();
await page.getByRole('navigation', { name: 'Stages of the call' }).getByRole('link', { name: /Trace/ }).click();
await page.getByText(/^What still fits/).waitFor();
await page.waitForLoadState('networkidle');
if (delay > 0) {
    await page.route('**/api/**', async (route) => {
        await new Promise((resolve) => setTimeout(resolve, delay));
        await route.continue();
    });
}

/** Clicks and waits in the page itself until what is asked for is there; milliseconds. */
const timed = (label, ready) =>
    page.evaluate(
        ([label, ready]) =>
            new Promise((resolve, reject) => {
                const button = [...document.querySelectorAll('button')].find((each) => (each.getAttribute('aria-label') ?? each.textContent) === label);
                if (!button) {
                    reject(new Error(`There is no button ${label}.`));
                    return;
                }
                const begun = performance.now();
                const look = () => {
                    if (new RegExp(ready).test(document.body.innerText)) {
                        resolve(performance.now() - begun);
                    } else if (performance.now() - begun > 15_000) {
                        reject(new Error(`${label}: no ${ready}`));
                    } else {
                        requestAnimationFrame(look);
                    }
                };
                button.click();
                requestAnimationFrame(look);
            }),
        [label, ready],
    );

const times = { 'probe move': [], 'state toggle': [], 'reading, ranked again': [] };
const points = ['Hall', 'Sink', 'Fridge', 'Worktop', 'Dining', 'Bay window', 'Hearth', 'Porch'];
await page.getByRole('radio', { name: 'Volts' }).click();
for (let round = 0; round < 18; ++round) {
    const point = points[round % points.length];
    await page.getByRole('button', { name: 'Take the leads off' }).click({ timeout: 500 }).catch(() => undefined);
    await page.getByRole('button', { name: new RegExp(`^${point}: `) }).first().click();
    await page.getByRole('button', { name: `Lead A on ${point} · L`, exact: true }).click();
    await page.waitForTimeout(400 + 2 * delay);
    for (const pole of ['N', 'E', 'N', 'E', 'N', 'E', 'N', 'E']) {
        times['probe move'].push(await timed(`Lead B on ${point} · ${pole}`, 'This house should read\\s+[0-9.]+ '));
        await page.waitForTimeout(300 + 2 * delay);
        await page.getByRole('button', { name: 'Take the leads off' }).click();
        await page.getByRole('button', { name: `Lead A on ${point} · L`, exact: true }).click();
        await page.waitForTimeout(60 + delay);
    }
}
await page.getByRole('button', { name: /^Way: Oven/ }).first().click();
for (let toggle = 0; toggle < 40; ++toggle) {
    const now = toggle % 2 === 0 ? 'off' : 'on';
    times['state toggle'].push(await timed(`Its device is now ${now}`, `Its device is now ${now === 'off' ? 'on' : 'off'}`));
    await page.waitForTimeout(900 + delay);
}
await page.waitForLoadState('networkidle');
await page.getByRole('button', { name: /^Hall: / }).first().click();
for (let reading = 0; reading < 16; ++reading) {
    const point = points[reading % points.length];
    await page.getByRole('button', { name: new RegExp(`^${point}: `) }).first().click();
    await page.getByRole('button', { name: 'Take the leads off' }).click({ timeout: 500 }).catch(() => undefined);
    await page.getByRole('button', { name: `Lead A on ${point} · L`, exact: true }).click();
    await page.getByRole('button', { name: `Lead B on ${point} · ${reading % 2 ? 'E' : 'N'}`, exact: true }).click();
    await page.waitForTimeout(1500 + 2 * delay);
    await page.getByLabel('What it shows').fill('229');
    const before = Number((await page.getByText(/^What still fits, after/).innerText()).match(/\d+/)?.[0]);
    times['reading, ranked again'].push(await timed('Store', `What still fits, after ${before + 1} `));
    await page.waitForLoadState('networkidle');
}
await browser.close();
const at = (list, share) => Math.round([...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(share * list.length))]);
console.log(`${delay} ms added to each answer`);
for (const [what, list] of Object.entries(times)) {
    console.log(`${what}: ${list.length} times, median ${at(list, 0.5)} ms, 95th percentile ${at(list, 0.95)} ms`);
}
