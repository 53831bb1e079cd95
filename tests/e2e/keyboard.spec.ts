import { expect, test, type Page } from '@playwright/test';

/** Presses Tab until what has the focus is called so; the way of somebody without a pointer. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
    for (let press = 0; press < 250; ++press) {
        const found = await page.evaluate((source) => {
            const it = document.activeElement as HTMLElement | null;
            if (it === document.body) {
                return false;
            }
            const label = it?.getAttribute('aria-label') ?? (it as HTMLInputElement | null)?.labels?.[0]?.innerText ?? (it?.id ? document.querySelector(`label[for="${it.id}"]`)?.textContent : null) ?? document.getElementById(it?.getAttribute('aria-labelledby')?.split(' ')[0] ?? '')?.textContent ?? it?.innerText ?? '';
            return new RegExp(source).test(label);
        }, name.source);
        if (found) {
            return;
        }
        await page.keyboard.press('Tab');
    }
    throw new Error(`No Tab leads to ${name.source}`);
}

async function enter(page: Page, name: RegExp): Promise<void> {
    await tabTo(page, name);
    await page.keyboard.press('Enter');
}

async function write(page: Page, name: RegExp, text: string): Promise<void> {
    await tabTo(page, name);
    await page.keyboard.type(text);
}

/** Picks from a list by its first letters. */
async function choose(page: Page, name: RegExp, option: string): Promise<void> {
    await tabTo(page, name);
    await page.keyboard.press('Space');
    await expect(page.getByRole('listbox')).toBeVisible();
    await page.keyboard.type(option.slice(0, 12));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('listbox')).toHaveCount(0);
}

const calls = [
    {
        rules: 'B, a panel',
        ruleSet: /^120\/240 V, panel/,
        address: '8 Cordwain Court',
        complaint: 'The lamp by the bed gives a tingle.',
        symptom: 'Metal gives a tingle',
        pattern: 'Panel, two legs, breakers',
        board: '1sglkc',
        run: /every point of Outlets, bedrooms/,
        lamps: ['110', '101', '110', '110'],
        cause: /Line and neutral reversed/,
    },
    {
        rules: 'C, an earth-leakage unit',
        ruleSet: /^230 V, earth-leakage unit/,
        address: '2 Blou Lane',
        complaint: 'Half the plugs have gone off.',
        symptom: 'Part of the house is dead',
        pattern: 'Main switch, part behind the earth-leakage unit',
        board: '1cws/l',
        run: /every point of Plugs/,
        lamps: ['110', '110', '010', '010'],
        cause: /Open neutral/,
    },
];

for (const call of calls) {
    test(`rule set ${call.rules}: from the complaint to the accepted cause by keyboard alone`, async ({ page }) => {
        await page.goto('/');
        await expect(page.getByRole('button', { name: 'Log in' })).toBeVisible();
        await write(page, /E-mail/, 'ines@brindle.example');
        await write(page, /Password/, 'two-probes');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('heading', { name: 'Calls', exact: true })).toBeVisible();
        await enter(page, /^Open a call/);
        await write(page, /^Address/, call.address);
        await write(page, /^Customer/, 'Mr Odell');
        await write(page, /^Complaint/, call.complaint);
        await enter(page, /^Open$/);
        await expect(page).toHaveURL(/\/hear$/);

        await write(page, /^In plain words/, 'Since Sunday.');
        await choose(page, /^What happens/, call.symptom);
        await enter(page, /^Add$/);
        await expect(page.getByRole('listitem').getByText('Since Sunday.')).toBeVisible();

        await page.keyboard.press('Alt+4');
        await expect(page.getByRole('heading', { name: 'Which board is it' })).toBeVisible();
        await enter(page, call.ruleSet);
        await expect(page.getByRole('button', { name: call.pattern })).toBeVisible();
        await page.evaluate(() => (document.activeElement as HTMLElement).blur());
        for (const key of call.board) {
            await page.keyboard.press(key);
        }
        await expect(page.getByRole('region', { name: 'The board judged' })).toBeVisible();
        await page.keyboard.press('Control+Enter');
        await expect(page).toHaveURL(/\/trace$/);
        await expect(page.getByText(/^What fits/)).toBeAttached();

        await page.keyboard.press('/');
        await expect(page.getByRole('heading', { name: 'Another test' })).toBeVisible();
        await write(page, /^Find/, 'plug-in');
        await enter(page, call.run);
        const run = page.getByRole('region', { name: 'Run of readings' });
        for (const [at, lamps] of call.lamps.entries()) {
            await expect(run).toContainText(`${at} of ${call.lamps.length}`);
            await page.evaluate(() => (document.activeElement as HTMLElement).blur());
            // Each lamp as it is, 1 lit and 0 dark: the third key stores.
            await page.keyboard.type(lamps);
        }
        await expect(run).toContainText('All taken.');
        await enter(page, /^End the run/);
        await expect(page.getByRole('region', { name: 'What fits' }).getByRole('button').first()).toContainText(call.cause);
        await tabTo(page, call.cause);
        await page.keyboard.press('Enter');
        await enter(page, /^Accept/);
        await expect(page.getByRole('heading', { name: /^Accept:/ })).toBeVisible();
        await choose(page, /^How it is known/, 'Measured');
        await enter(page, /^Accept this cause/);
        await expect(page).toHaveURL(/\/put-right$/);
        await expect(page.getByText(call.cause).first()).toBeVisible();
    });
}

test('rule set A, a consumer unit: the same at 390 px by touch', async ({ browser }) => {
    const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })).newPage();
    page.setDefaultTimeout(20_000);
    const tap = (name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).first().tap();
    const pick = async (label: string, option: string) => {
        await page.getByRole('button', { name: label }).tap();
        await page.getByRole('option', { name: option, exact: true }).tap();
    };
    await page.goto('/');
    await page.getByLabel('E-mail').fill('ines@brindle.example');
    await page.getByLabel('Password').fill('two-probes');
    await tap('Log in');
    await tap('Open a call');
    await page.getByLabel('Address').fill('6 Teasel Yard');
    await page.getByLabel('Customer', { exact: true }).fill('Miss Arkwright');
    await page.getByLabel('Complaint, in the customer’s words').fill('The kettle tingles.');
    await tap('Open');
    await page.getByLabel('In plain words').fill('Only with wet hands.');
    await pick('What happens', 'Metal gives a tingle');
    await tap('Add');
    await expect(page.getByRole('listitem').getByText('Only with wet hands.')).toBeVisible();
    await page.getByRole('link', { name: 'On to the board' }).tap();
    await tap(/Main switch, two residual devices/);
    for (const feeds of ['Sockets, radial', 'Lights, ground floor', 'Cooker']) {
        await tap(feeds);
    }
    await tap('Draw up this house');
    await expect(page).toHaveURL(/\/trace$/);
    await tap(/^Another test/);
    await page.getByLabel('Find', { exact: true }).fill('plug-in');
    await tap(/every point of Sockets, radial/);
    const run = page.getByRole('region', { name: 'Run of readings' });
    for (const [at, lamps] of ['110', '100', '100'].entries()) {
        await expect(run).toContainText(`${at} of 3`);
        // Each point one tap: the picture is the reading.
        await page.getByRole('group', { name: 'What the lamps show' }).getByRole('button', { name: ['L–N', 'L–E', 'N–E'].map((pair, lamp) => `${pair} ${lamps[lamp] === '1' ? 'lit' : 'dark'}`).join(', ') }).tap();
    }
    await expect(run).toContainText('All taken.');
    await run.getByRole('button', { name: 'End the run' }).tap();
    await page.getByRole('tab', { name: /Causes/ }).tap();
    // What fits two readings may be other places than what fits three: what is opened before is not there any more.
    await expect(page.getByRole('heading', { name: 'What fits, after 3 readings' })).toBeVisible({ timeout: 60_000 });
    const first = page.getByRole('region', { name: 'What fits' }).getByRole('button').first();
    await expect(first).toContainText('Open cpc');
    if ((await first.getAttribute('aria-expanded')) === 'false') {
        await first.tap();
    }
    await tap(/^Accept/);
    await pick('How it is known', 'Measured');
    await tap('Accept this cause');
    await expect(page).toHaveURL(/\/put-right$/);
    await expect(page.getByText('Open cpc').first()).toBeVisible();
});
