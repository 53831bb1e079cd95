// How long Trace takes to answer, and how much script it needs before its first field: on loopback, and again with added delay.
// Run against a fresh demonstration: E2E_URL=http://127.0.0.1:8090 npm run page-speed
import { chromium } from 'playwright-core';

const base = process.env.E2E_URL ?? 'http://127.0.0.1:8090';
const ROUNDS = Number(process.env.ROUNDS ?? 30);
/** Somebody puts the leads on, reads the display and types. */
const READING_MS = 3000;

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const context = await browser.newContext({ baseURL: base, viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
const page = await context.newPage();
const session = await context.newCDPSession(page);
await session.send('Network.enable');
let script = 0;
const scripts = new Map();
session.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.set(requestId, 0));
session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => (script += scripts.has(requestId) ? encodedDataLength : 0));

await page.goto(base);
await page.getByLabel('E-mail').fill('ines@brindle.example');
await page.getByLabel('Password').fill('two-probes');
await page.getByRole('button', { name: 'Log in' }).click();
await page.getByText('Mrs Adeyemi-Hartley').first().waitFor();
const id = (await (await page.request.get('/api/calls')).json()).calls.find((call) => call.customer.startsWith('Mrs Adeyemi')).id;
// Nothing in hand from before.
await page.request.put(`/api/calls/${id}/in-hand`, { data: { test: '', run: '', since: '', leftOut: [], forced: [] } });
script = 0;
await session.send('Network.clearBrowserCache');
await page.goto(`${base}/calls/${id}/trace`);
await page.getByText(/^What fits/).waitFor({ state: 'attached' });
await page.waitForLoadState('networkidle');
console.log(`script before the first field: ${(script / 1000).toFixed(0)} kB, compressed`);

/** Waits in the page, a frame at a time, until something holds; milliseconds. */
const until = (condition, argument) =>
    page.evaluate(
        async ([text, given]) => {
            const holds = new Function('given', `return (${text})(given)`);
            const begun = window.begun ?? performance.now();
            while (!holds(given)) {
                if (performance.now() - begun > 20000) {
                    throw new Error(`waited in vain: ${text}`);
                }
                await new Promise(requestAnimationFrame);
            }
            window.begun = undefined;
            return performance.now() - begun;
        },
        [condition.toString(), argument],
    );

/** Notes in the page when a key goes down, so that what comes after it is timed from there. */
const key = async (name) => {
    await page.evaluate((wanted) => addEventListener('keydown', (event) => event.key === wanted && (window.begun = performance.now()), { once: true, capture: true }), name);
    await page.keyboard.press(name);
};

function print(what, list) {
    const sorted = [...list].sort((a, b) => a - b);
    const at = (share) => sorted[Math.ceil(share * sorted.length) - 1].toFixed(0);
    console.log(`${what}: ${list.length} times, median ${at(0.5)} ms, 95th percentile ${at(0.95)} ms, longest ${at(1)} ms`);
}

/** A test by its whole name, which its minutes follow: another may begin alike. */
const named = (words) => new RegExp(`^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')} ?(under|\\d)`);

const stand = async (search) => {
    await page.keyboard.press('/');
    await page.getByLabel('Find', { exact: true }).fill(search);
};

// A reading typed: from Enter until the ranking counts it, each at another point. The first three are not counted.
const { readings } = await (await page.request.get(`/api/calls/${id}`)).json();
let count = new Set(readings.filter((each) => each.withdrawn === null).map((each) => each.id)).size;
const tests = (await (await page.request.get(`/api/calls/${id}/tests?where=any&search=zs`)).json()).map((each) => each.id);
const ready = [];
for (const test of tests) {
    const full = await (await page.request.get(`/api/calls/${id}/test?test=${encodeURIComponent(test)}`)).json();
    if (full.changes.length === 0 && !full.needsIsolation) {
        // What this house should show: a house that contradicts itself at every point is no usual one to be ranked.
        const { expected } = await (await page.request.post(`/api/calls/${id}/predictions`, { data: { instrument: full.instrument, connection: { terminals: full.terminals, around: full.around }, forced: [] } })).json();
        const figure = /^[\d.]+/.exec(expected)?.[0];
        if (figure !== undefined) {
            ready.push({ ...full, figure });
        }
    }
}
const ranked = [];
for (let round = 0; round < ROUNDS; ++round) {
    const test = ready[round % ready.length];
    await stand(test.words.replace(/[,–()°×·]/g, ' '));
    await page.getByRole('dialog').getByRole('button', { name: named(test.words) }).first().click();
    await page.getByLabel('What it shows').waitFor();
    await page.waitForTimeout(READING_MS);
    await page.keyboard.type(test.figure);
    await key('Enter');
    const before = ++count;
    const ms = await until((least) => Number(/(\d+) reading/.exec([...document.querySelectorAll('h2')].map((each) => each.textContent).find((text) => text.startsWith('What fits')) ?? '')?.[1] ?? 0) >= least, before);
    if (round >= 3) {
        ranked.push(ms);
    }
    await page.keyboard.press('Escape');
}
print('a reading typed, until it is ranked', ranked);

// Volts from point to point, with nothing to switch before.
const runs = await (await page.request.get(`/api/calls/${id}/runs`)).json();
let run;
for (const each of runs.filter((one) => one.id.startsWith('polarity-live') && one.done === 0 && !one.id.endsWith(':loads'))) {
    const { members } = await (await page.request.get(`/api/calls/${id}/run?series=${encodeURIComponent(each.id)}`)).json();
    if (members.length > (run?.many ?? 1) && members.every((member) => member.changes.length === 0)) {
        run = { words: each.words, many: members.length };
    }
}
// A run with a server that answers a second and a half late: from Enter until the next place has its field.
await page.route('**/api/calls/**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
});
await stand(run.words.replace(/[,–()°×·]/g, ' '));
await page.getByRole('dialog').getByRole('button', { name: run.words }).first().click();
await page.getByLabel('What it shows').waitFor({ timeout: 60_000 });
const next = [];
for (let at = 0; at < 12; ++at) {
    const where = await page.evaluate(() => document.querySelector('#field-where')?.innerText ?? '');
    if (where === '') {
        break;
    }
    await page.keyboard.type('230');
    await key('Enter');
    const isLast = await page.evaluate(() => document.querySelector('[data-reading]') === null);
    if (isLast) {
        break;
    }
    next.push(await until((old) => (document.querySelector('#field-where')?.innerText ?? '') !== old && document.querySelector('[data-reading]')?.value === '', where));
}
print('the next field of a run, each answer 1.5 s late', next);
await browser.close();
