// Takes one picture of each main view from the demonstration data: npm run screenshots, with bin/start running and fresh.
import { chromium } from '@playwright/test';

const base = process.env.E2E_URL ?? 'http://127.0.0.1:8090';
const folder = new URL('../docs/screenshots/', import.meta.url).pathname;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] });

async function enter(options, email = 'ines@brindle.example') {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce', ...options })).newPage();
    await page.goto(base);
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill('two-probes');
    await page.getByRole('button', { name: 'Log in' }).click();
    await page.getByText('19 Sallow Court').waitFor();
    return page;
}

async function stage(page, address, name) {
    await page.goto(base);
    await page.getByText(address).first().click();
    const stages = page.getByRole('navigation', { name: 'Stages of the call' });
    const link = stages.getByRole('link', { name: new RegExp(name) });
    await stages.waitFor();
    if (await link.isVisible()) {
        await link.click();
    } else {
        await stages.getByRole('button').click();
        await page.getByRole('menuitem', { name: new RegExp(name) }).click();
    }
    await page.waitForLoadState('networkidle');
}

/** Nothing is in hand from the picture before. */
async function handsFree(page) {
    for (const { id } of (await (await page.request.get(`${base}/api/calls`)).json()).calls) {
        await page.request.put(`${base}/api/calls/${id}/in-hand`, { data: { test: '', run: '', since: '', leftOut: [], forced: [] } });
    }
}

/** Any test or run by what people call it. */
async function find(page, words, name) {
    await page.getByRole('button', { name: /^Another test/ }).first().click();
    await page.getByLabel('Find', { exact: true }).fill(words);
    await page.getByRole('dialog').getByRole('button', { name }).first().click();
}

async function probes(page) {
    await handsFree(page);
    await stage(page, '4 Wicket Lane', 'Trace');
    await page.getByText(/^What fits/).waitFor({ state: 'attached' });
    await find(page, 'loop high hall', /^Loop, high current, line–earth at Hall/);
    await page.getByLabel('What it shows').fill('0.44');
    await page.getByText('This house:').waitFor({ state: 'attached' });
    await page.getByText(/^This reading /).waitFor({ state: 'attached' });
    await page.waitForLoadState('networkidle');
}

const page = await enter({});
const shot = (name, from = page) => from.screenshot({ path: `${folder}${name}.png` });
await shot('calls');
await stage(page, '4 Wicket Lane', 'Hear');
await page.getByText('What runs then').first().waitFor();
await page.getByLabel('In plain words').fill('After ten minutes of the washing machine it goes.');
await page.getByRole('button', { name: /runs then$/ }).click();
await shot('hear');
await stage(page, '4 Wicket Lane', 'Look');
await page.getByRole('button', { name: 'Where you are' }).click();
await page.getByRole('option', { name: 'Bay window' }).click();
await page.getByRole('button', { name: /Plate bulging/ }).click();
await page.evaluate(() => window.scrollTo(0, 480));
await shot('look');
await stage(page, '4 Wicket Lane', 'Make safe');
await page.getByRole('button', { name: 'Where the work is' }).click();
await page.getByRole('option', { name: 'Stair switch, foot' }).click();
await page.getByText('Circuit', { exact: true }).click();
await page.getByText('Way 3', { exact: true }).waitFor();
await page.waitForLoadState('networkidle');
await shot('make-safe');
await probes(page);
await shot('trace');
await stage(page, '4 Wicket Lane', 'Trace');
await page.getByLabel('What it shows').fill('');
await page.keyboard.press('Tab');
await page.getByRole('button', { name: /^Another test/ }).first().click();
await find(page, 'loop ring ground floor every', /every point of Ring, ground floor/);
for (const raw of ['0.31', '0.33', '0.86']) {
    await page.getByLabel('What it shows').fill(raw);
    await page.keyboard.press('Enter');
}
await page.waitForLoadState('networkidle');
await page.getByText(/^Stands out/).first().waitFor({ timeout: 20_000 }).catch(() => undefined);
await shot('run');
await page.getByRole('button', { name: 'End the run' }).first().click();
await stage(page, 'Salter’s Hill', 'Put right');
await shot('put-right');
await stage(page, '19 Sallow Court', 'Hand over');
await shot('record');
await page.goto(`${base}/sums/leakage-budget`);
await page.getByText('Room for capacitive leakage').waitFor();
await page.waitForLoadState('networkidle');
await shot('sums');
await page.goto(base);
await page.getByRole('button', { name: 'Open a call' }).click();
await page.getByLabel('Address').fill('3 Fennel Rise');
await page.getByLabel('Customer', { exact: true }).fill('Mrs Pell');
await page.getByLabel('Complaint, in the customer’s words').fill('The lower half goes off at night.');
await page.getByRole('button', { name: 'Open', exact: true }).click();
await page.getByRole('link', { name: /^Survey/ }).click();
await page.getByText(/Main switch, two residual devices/).click();
for (const key of 'cglwbu/ms16a-') {
    await page.keyboard.press(key);
}
await page.getByLabel('Earth wire clamped to the metal sheath').check();
await page.getByLabel('Label: multiple earthing').check();
await page.getByText('Earthing ambiguous').waitFor();
await page.evaluate(() => window.scrollTo(0, 0));
await shot('survey');
await page.goto(base);
await page.getByRole('button', { name: 'Open a call' }).click();
await page.getByLabel('Address').fill('Flat 3, 9 Tollgate Rise');
await page.getByLabel('Customer', { exact: true }).fill('Mr Odell');
await page.getByLabel('Complaint, in the customer’s words').fill('The kitchen breaker goes when we cook.');
await page.getByRole('button', { name: 'Open', exact: true }).click();
await page.getByLabel('In plain words').fill('Mostly at six in the evening.');
await page.getByRole('button', { name: 'What happens' }).click();
await page.getByRole('option', { name: /^A breaker trips/ }).click();
await page.getByRole('button', { name: 'Add', exact: true }).click();
await page.getByRole('listitem').getByText('Mostly at six in the evening.').waitFor();
await page.getByRole('link', { name: /^Survey/ }).click();
await page.getByText(/Main switch, two residual devices/).click();
for (const key of 'gkcl/usb') {
    await page.keyboard.press(key);
}
await page.keyboard.press('Control+Enter');
await page.getByRole('button', { name: 'Set it up' }).waitFor({ timeout: 120_000 });
await page.waitForLoadState('networkidle');
await page.evaluate(() => window.scrollTo(0, 0));
await shot('first-test');
await page.goto(`${base}/people`);
await page.getByRole('button', { name: 'Invite somebody' }).click();
await page.getByLabel('E-mail').fill('bo@brindle.example');
await page.getByLabel('Name, as it stands on records').fill('Bo Hallam');
await page.getByRole('radio', { name: /Trainee/ }).check();
await page.waitForTimeout(300);
await shot('invitation');
await page.getByRole('button', { name: 'Send the invitation' }).click();
await page.getByRole('status').filter({ hasText: 'on its way' }).waitFor();
await page.getByRole('region', { name: 'Mails' }).locator('summary').first().click();
await shot('people');
const trainee = await enter({}, 'rafe@brindle.example');
await stage(trainee, '4 Wicket Lane', 'Hear');
await trainee.getByRole('button', { name: 'Have them confirm' }).click();
await trainee.waitForTimeout(300);
await shot('second-person', trainee);
await page.goto(`${base}/login`);
await page.getByRole('region', { name: 'Where you are logged in' }).getByRole('listitem').first().waitFor();
await shot('login');
const dark = await enter({ colorScheme: 'dark' });
await probes(dark);
await shot('trace-cupboard', dark);
const phone = await enter({ viewport: { width: 390, height: 844 }, hasTouch: true });
await probes(phone);
await shot('trace-phone', phone);
await browser.close();
