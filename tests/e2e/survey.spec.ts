import { expect, test, type Page } from '@playwright/test';
import { goTo, login, openCall } from './app';

/** Presses keys and counts them. */
function counting(page: Page) {
    let count = 0;
    return {
        press: async (...keys: string[]) => {
            for (const key of keys) {
                await page.keyboard.press(key);
                ++count;
            }
        },
        count: () => count,
    };
}

test('a ten-way board by keyboard in no more than ninety keys, drawn up and traced', async ({ page }) => {
    await login(page);
    await openCall(page, '3 Fennel Rise', 'The lower half goes off at night.');
    await goTo(page, /^Survey/);
    await expect(page.getByRole('heading', { name: 'Which board is it' })).toBeVisible();
    const keys = counting(page);
    await keys.press('1'); // two groups
    await keys.press('c', 'g', '/', '2', '0'); // the ring on 20 A begins the second group: a slip
    await keys.press('Backspace', 'Backspace', 'Backspace', '3', '2');
    await keys.press('l', 'w', 'b', 'u', '/', 'm', 's', '1', '6', 'a', '-');
    await expect(page.getByRole('list', { name: 'Ways' }).getByRole('button', { name: /^Way 8 / })).toContainText('Sockets, radial');
    await expect(page.getByText('Device B, 30 mA, type A')).toBeVisible();
    // What is seen of the earth, by Tab and Space.
    await page.getByLabel('Earth wire leaves the same block as the supply neutral').focus();
    await keys.press('Tab', 'Tab', 'Shift+Tab', 'Shift+Tab', 'Space');
    await expect(page.getByRole('radio', { name: /TN-C-S/ })).toHaveAttribute('aria-checked', 'true');
    await expect(page.getByText(/^Device A: /)).toBeVisible();
    await keys.press('Control+Enter');
    await expect(page).toHaveURL(/\/trace$/);
    await expect(page.getByRole('button', { name: /^Kitchen left: / })).toBeVisible();
    expect(keys.count()).toBeLessThanOrEqual(90);

    // The house stands, its lengths assumed; one is measured.
    await goTo(page, /^Survey/);
    await expect(page.getByRole('heading', { name: 'The house, version 1' })).toBeVisible();
    await page.getByRole('button', { name: 'Circuit' }).click();
    await page.getByRole('option', { name: 'Ring, ground floor' }).click();
    await page.getByLabel('Length of Way 2 to Kitchen left, metres').fill('11,5');
    await page.getByRole('button', { name: 'Measured' }).first().click();
    await expect(page.getByRole('heading', { name: 'The house, version 2' })).toBeVisible();
    await expect(page.getByText('length measured')).toBeVisible();
});

test('the same by thumb on a phone in no more than eighty taps, kept over a reload', async ({ browser }) => {
    const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })).newPage();
    await login(page);
    await openCall(page, '5 Fennel Rise', 'Sparks behind the fridge.');
    await page.goto(page.url().replace(/hear$/, 'survey'));
    let taps = 0;
    const tap = async (name: string | RegExp) => {
        await page.getByRole('button', { name, exact: typeof name === 'string' }).first().tap();
        ++taps;
    };
    await tap(/Main switch, a breaker with residual device each/);
    for (const feeds of ['Ring, ground floor', 'Ring, kitchen', 'Ring, upper floor', 'Lights, ground floor', 'Lights, upper floor', 'Cooker', 'Boiler']) {
        await tap(feeds);
    }
    await page.reload();
    for (const feeds of ['Water heater', 'Smoke alarms', 'Spare']) {
        await tap(feeds);
    }
    await tap(/^Way 2/);
    await page.getByLabel('Switches the neutral').selectOption('yes');
    await page.getByLabel('Rating').selectOption('20');
    taps += 4;
    await expect(page.getByText(/Way 1: whether its device switches the neutral is not known/)).toBeVisible();
    await expect(page.getByText(/Way 2: whether/)).toHaveCount(0);
    await tap('Draw up this house');
    await expect(page).toHaveURL(/\/trace$/);
    expect(taps).toBeLessThanOrEqual(80);
});

test('a sheet that cannot be says which way is wrong, and a file that is none is refused', async ({ page }) => {
    await login(page);
    await openCall(page, '7 Fennel Rise', 'Nothing yet.');
    await goTo(page, /^Survey/);
    await page.getByLabel('Read a sheet from a file').setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"ways": 3}') });
    await expect(page.getByRole('alert')).toContainText('not a survey sheet');
    await page.getByLabel('Read a sheet from a file').setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify({ ruleSet: 'A', groups: [{ name: '', milliamps: 0, type: '' }], ways: [{ device: 'breaker', feeds: 'moon', amperes: 6, curve: 'B', group: 0, neutral: 'no' }] })) });
    await expect(page.getByRole('alert')).toContainText('Expected one of ring-low');
    await expect(page.getByRole('button', { name: 'Draw up this house' })).toBeDisabled();
});
