// How long the page takes to answer: 200 actions on the trace view of the demonstration house, on loopback, and again with 150 ms
// of added delay, after ten actions that are not counted. Run against a fresh demonstration: E2E_URL=http://127.0.0.1:8090 npm run page-speed
import { chromium } from 'playwright-core';

const base = process.env.E2E_URL ?? 'http://127.0.0.1:8080';
const ROUNDS = 50;
const READING_EVERY = 5;
const POINTS = ['Sink', 'Fridge', 'Worktop', 'Dining', 'Bay window', 'Hearth'];

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });

async function enter(context) {
    const page = await context.newPage();
    // Entries that the server has answered are counted: the page shows an act before that.
    await page.addInitScript(() => {
        window.answered = 0;
        const send = window.fetch;
        window.fetch = async (request, ...rest) => {
            const response = await send(request, ...rest);
            window.answered += (request.url ?? String(request)).endsWith('/observations') ? 1 : 0;
            return response;
        };
    });
    await page.goto(base);
    await page.getByLabel('E-mail').fill('ines@brindle.example');
    await page.getByLabel('Password').fill('two-probes');
    await page.getByRole('button', { name: 'Log in' }).click();
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await page.getByRole('navigation', { name: 'Stages of the call' }).getByRole('link', { name: 'Trace' }).click();
    await page.getByRole('button', { name: /^Way: Ring, ground/ }).waitFor();
    await page.getByRole('radio', { name: 'Volts' }).click();
    await page.waitForLoadState('networkidle');
    return page;
}

/** Clicks in the page and counts the milliseconds until anything changed, and until the answer is there, a frame drawn. */
function timed(page, click, answered) {
    return page.evaluate(
        async ([target, condition]) => {
            const is = new Function(`return (${condition})()`);
            const element = document.querySelector(target);
            if (!element) {
                throw new Error(`nothing to click: ${target}`);
            }
            const begun = performance.now();
            let shown = null;
            const watcher = new MutationObserver(() => (shown ??= performance.now() - begun));
            watcher.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
            element instanceof HTMLElement ? element.click() : element.dispatchEvent(new MouseEvent('click', { bubbles: true }));
            while (!is()) {
                if (performance.now() - begun > 20000) {
                    throw new Error(`no answer to ${target}`);
                }
                await new Promise(requestAnimationFrame);
            }
            watcher.disconnect();
            const done = performance.now() - begun;
            return { shown: shown ?? done, done };
        },
        [click, answered.toString()],
    );
}

/** @param counts whether the times are printed: a server just started still compiles what it runs */
async function measure(delay, rounds, counts) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
    const page = await enter(context);
    if (delay > 0) {
        const session = await context.newCDPSession(page);
        await session.send('Network.emulateNetworkConditions', { offline: false, latency: delay, downloadThroughput: -1, uploadThroughput: -1 });
    }
    const times = { 'a probe moved': [], 'a lever put over': [], 'a reading stored and ranked': [] };
    for (let round = 0; round < rounds; ++round) {
        const point = POINTS[round % POINTS.length];
        await page.getByRole('button', { name: new RegExp(`^${point}: `) }).first().click();
        const chip = (lead, terminal) => `[aria-label="Lead ${lead} on ${point} · ${terminal}"]`;
        times['a probe moved'].push(await timed(page, chip('A', 'L'), () => document.querySelectorAll('button[aria-label^="Lead B"] .font-mono').length > 0));
        times['a probe moved'].push(await timed(page, chip('B', 'N'), () => [...document.querySelectorAll('section[aria-label="Tester"] p')].some((each) => each.textContent === 'This house should read' && (each.nextElementSibling?.textContent ?? '') !== '')));
        if (round % READING_EVERY === 0) {
            await page.waitForTimeout(2500); // somebody reads the display and types
            await page.getByLabel('What it shows').fill('231');
            const before = await page.getByText(/^What still fits/).textContent();
            await page.evaluate((text) => (window.before = text), before);
            times['a reading stored and ranked'].push(await timed(page, 'section[aria-label="Tester"] button[type="submit"]', () => ![...document.querySelectorAll('h2')].some((each) => each.textContent === window.before)));
        }
        await page.getByRole('button', { name: 'Take the leads off' }).click();
        await page.getByRole('button', { name: /^Way: Oven/ }).click();
        const is = (await page.getByRole('button', { name: 'Switch Oven off' }).count()) === 1 ? 'off' : 'on';
        await page.evaluate(() => (window.before = window.answered));
        times['a lever put over'].push(await timed(page, `[aria-label="Switch Oven ${is}"]`, new Function(`return window.answered > window.before && document.querySelector('[aria-label^="Way: Oven"][aria-label$=", ${is}"]') !== null`)));
        await page.waitForTimeout(400);
    }
    if (counts) {
        console.log(`${delay} ms of added delay`);
    }
    for (const [what, list] of counts ? Object.entries(times) : []) {
        const at = (key, share) => [...list].map((each) => each[key]).sort((a, b) => a - b)[Math.ceil(share * list.length) - 1];
        console.log(`  ${what}: ${list.length} times, answered in ${at('done', 0.5).toFixed(0)} ms, 95th percentile ${at('done', 0.95).toFixed(0)}; something shows after ${at('shown', 0.95).toFixed(0)}`);
    }
    await context.close();
}

await measure(0, 2 * READING_EVERY, false);
for (const delay of [0, 150]) {
    await measure(delay, ROUNDS, true);
}
await browser.close();
