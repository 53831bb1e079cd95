// Takes one picture of each main view from the demonstration data: npm run screenshots, with bin/start running and fresh.
import { chromium } from '@playwright/test';

const base = process.env.E2E_URL ?? 'http://127.0.0.1:8090';
const folder = new URL('../docs/screenshots/', import.meta.url).pathname;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] });

async function enter(options) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce', ...options })).newPage();
    await page.goto(base);
    await page.getByLabel('E-mail').fill('ines@brindle.example');
    await page.getByLabel('Password').fill('two-probes');
    await page.getByRole('button', { name: 'Log in' }).click();
    await page.getByText('19 Sallow Court').waitFor();
    return page;
}

async function stage(page, address, name) {
    await page.goto(base);
    await page.getByText(address).first().click();
    await page.getByRole('navigation', { name: 'Stages of the call' }).getByRole('link', { name: new RegExp(name) }).click();
    await page.waitForLoadState('networkidle');
}

async function probes(page) {
    await stage(page, '4 Wicket Lane', 'Trace');
    await page.getByRole('radio', { name: 'Loop' }).click();
    await page.getByRole('button', { name: /^Hall: / }).click();
    await page.getByRole('button', { name: 'Lead A on Hall · L', exact: true }).click();
    await page.getByRole('button', { name: 'Lead B on Hall · E', exact: true }).click();
    await page.getByLabel('What it shows').fill('0.44');
    await page.getByText('This house should read', { exact: true }).waitFor();
    await page.getByText('What still fits').waitFor({ state: 'attached' });
    await page.waitForLoadState('networkidle');
    await page.getByLabel('What it shows').blur();
    await page.evaluate(() => window.scrollTo(0, 0));
}

const page = await enter({});
const shot = (name, from = page) => from.screenshot({ path: `${folder}${name}.png` });
await shot('calls');
await stage(page, '4 Wicket Lane', 'Hear');
await shot('hear');
await stage(page, '4 Wicket Lane', 'Make safe');
await shot('make-safe');
await probes(page);
await shot('trace');
await stage(page, 'Salter’s Hill', 'Put right');
await shot('put-right');
await stage(page, '19 Sallow Court', 'Hand over');
await shot('record');
await page.goto(`${base}/sums/leakage-budget`);
await page.getByText('Room for capacitive leakage').waitFor();
await page.waitForLoadState('networkidle');
await shot('sums');
const dark = await enter({ colorScheme: 'dark' });
await probes(dark);
await shot('trace-cupboard', dark);
const phone = await enter({ viewport: { width: 390, height: 844 }, hasTouch: true });
await probes(phone);
await shot('trace-phone', phone);
await browser.close();
