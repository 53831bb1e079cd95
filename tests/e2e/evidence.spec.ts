import { expect, test, type Page } from '@playwright/test';
import { goTo, hand, login } from './app';

async function openTrace(page: Page, address: string): Promise<void> {
    await login(page);
    await page.getByText(address).first().click();
    await goTo(page, /Trace/);
    await expect(page.getByText('Main switch')).not.toHaveCount(0);
}

async function read(page: Page, point: string, leads: [string, string], typed: string): Promise<void> {
    await page.getByRole('button', { name: new RegExp(`^${point}: `) }).click();
    if (await page.getByRole('button', { name: 'Take off' }).isVisible()) {
        await page.getByRole('button', { name: 'Take off' }).click();
    }
    await page.getByRole('button', { name: `Lead A on ${point} · ${leads[0]}`, exact: true }).click();
    await page.getByRole('button', { name: `Lead B on ${point} · ${leads[1]}`, exact: true }).click();
    await page.getByLabel('What it shows').fill(typed);
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByLabel('What it shows')).toHaveValue('');
}

test.describe('evidence stays', () => {
    test('a slip is corrected beside the original, a bad contact is withdrawn with its reason, a loose reading is placed', async ({ page }) => {
        await openTrace(page, 'Mrs Adeyemi-Hartley');
        const readings = page.getByRole('region', { name: 'Readings', exact: true });
        await hand(page, 'Loop');

        await read(page, 'Sink', ['L', 'E'], '3.1');
        await expect(readings.getByText('Not what this house should read').first()).toBeVisible();
        await readings.getByRole('button', { name: 'What to do with the reading 3.1', exact: true }).click();
        await page.getByRole('menuitem', { name: 'Correct it, beside the original' }).click();
        await page.getByLabel('It should be').fill('0.31 V');
        await page.getByLabel('Reason').fill('Decimal point missed.');
        await page.getByRole('button', { name: 'Store the correction' }).click();
        await expect(page.getByRole('dialog').getByRole('alert')).toContainText('Loop reads Ω, not V');
        await page.getByLabel('It should be').fill('0.31');
        await page.getByRole('button', { name: 'Store the correction' }).click();
        await expect(readings.getByText('First read 3.1; corrected to 0.31: Decimal point missed.')).toBeVisible();

        await read(page, 'Worktop', ['L', 'E'], '7.7');
        await readings.getByRole('button', { name: 'What to do with the reading 7.7', exact: true }).click();
        await page.getByRole('menuitem', { name: 'Withdraw it, with a reason' }).click();
        await page.getByLabel('Reason').fill('Probe on paint.');
        await page.getByRole('button', { name: 'Withdraw it' }).click();
        await expect(readings.getByText('Withdrawn: Probe on paint.')).toBeVisible();

        await page.getByText('Read as it is, nothing forced').click();
        await page.getByLabel('tapped, wiggled').check();
        await read(page, 'Fridge', ['L', 'E'], '0.36');
        await readings.getByRole('button', { name: 'What to do with the reading 0.36', exact: true }).click();
        await page.getByRole('menuitem', { name: 'Doubt it: let it count for less' }).click();
        await page.getByLabel('Reason').fill('The lead slipped.');
        await page.getByRole('button', { name: 'Let it count for less' }).click();
        await expect(readings.getByText('Doubted: The lead slipped.')).toBeVisible();

        await page.getByLabel('The point is not on the map').check();
        await page.getByLabel('Where, in words').fill('socket in the bay, behind the desk');
        await page.getByLabel('What it shows').fill('0.33');
        await page.getByRole('button', { name: 'Store', exact: true }).click();
        await expect(readings.getByText('socket in the bay, behind the desk')).toBeVisible();
        await page.getByRole('button', { name: /^Bay window: / }).click();
        await page.getByRole('button', { name: 'Take off' }).click();
        await page.getByRole('button', { name: 'Lead A on Bay window · L', exact: true }).click();
        await page.getByRole('button', { name: 'Lead B on Bay window · E', exact: true }).click();
        await readings.getByRole('button', { name: 'What to do with the reading 0.33', exact: true }).click();
        await page.getByRole('menuitem', { name: 'Place it where the probes are now' }).click();
        await expect(readings.getByText('Not on the map yet')).toHaveCount(0);

        // All of it is on the record.
        await goTo(page, /Hand over/);
        const record = page.getByRole('article');
        await expect(record).toContainText('First written: “3.1”');
        await expect(record).toContainText('to “0.31”: Decimal point missed.');
        await expect(record).toContainText('Withdrawn: Probe on paint.');
        await expect(record).toContainText('Not finished');
    });

    test('a thousand or a decimal is asked, not guessed', async ({ page }) => {
        await openTrace(page, 'Mrs Adeyemi-Hartley');
        await hand(page, 'Voltmeter');
        await page.getByRole('button', { name: /^Hearth: / }).click();
        const off = page.getByRole('button', { name: 'Take off' });
        if (await off.isVisible()) {
            await off.click();
        }
        await page.getByRole('button', { name: 'Lead A on Hearth · L', exact: true }).click();
        await page.getByRole('button', { name: 'Lead B on Hearth · N', exact: true }).click();
        await page.getByLabel('What it shows').fill('1,200');
        await page.getByLabel('What it shows').press('Enter');
        await expect(page.getByRole('alert')).toContainText('type it with a point (1.200) or without the comma (1200)');
        await expect(page.getByLabel('What it shows')).toHaveValue('1,200');
    });
});

test('a slow server: the page says what it waits for, and one press stores once', async ({ page }) => {
    await openTrace(page, 'Mrs Adeyemi-Hartley');
    await hand(page, 'Voltmeter');
    await page.route('**/api/**', async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 2500));
        await route.continue();
    });
    await page.getByRole('button', { name: /^Dining: / }).click();
    const off = page.getByRole('button', { name: 'Take off' });
    if (await off.isVisible()) {
        await off.click();
    }
    for (const [lead, pole] of [['A', 'L'], ['B', 'N']]) {
        await page.getByRole('button', { name: `Lead ${lead} on Dining · ${pole}`, exact: true }).click();
    }
    await expect(page.getByText('Working out what this house should read …')).toBeVisible();
    await page.getByLabel('What it shows').fill('229');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    // The field is free at once, and there is nothing left that a second press could store.
    await expect(page.getByLabel('What it shows')).toHaveValue('', { timeout: 500 });
    await expect(page.getByRole('button', { name: 'Store', exact: true })).toHaveCount(0);
    await expect(page.getByRole('button', { name: '1 entry saved here, not stored yet' })).toBeVisible();
    await expect(page.getByRole('region', { name: 'Readings', exact: true }).getByText('Voltage, line–neutral at Dining')).toHaveCount(1);
});

test('set up by the tool, the state is recorded and can be taken back', async ({ page }) => {
    await openTrace(page, 'Mrs Adeyemi-Hartley');
    const next = page.getByRole('region', { name: 'Next test' });
    await expect(next).toBeVisible();
    await page.getByRole('button', { name: 'Switch or lift' }).click();
    await page.getByRole('group', { name: 'Lounge light switch' }).getByRole('button', { name: 'on' }).click();
    await expect(page.getByRole('group', { name: 'Lounge light switch' }).getByRole('button', { name: 'on' })).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Escape');
    // What is recorded can be taken back, from any stage.
    await page.getByRole('button', { name: 'Show, put back' }).click();
    const entry = page.getByRole('listitem').filter({ hasText: 'Switch Lounge light switch on' }).filter({ has: page.getByRole('button', { name: 'Put back' }) });
    await expect(entry).toBeVisible();
    await entry.getByRole('button', { name: 'Put back' }).click();
    await expect(entry).toHaveCount(0);
});

test('a tester left in the van is not asked for, over a reload too', async ({ page }) => {
    await openTrace(page, 'Mrs Adeyemi-Hartley');
    const next = page.getByRole('region', { name: 'Next test' });
    await expect(next).toBeVisible();
    await page.getByText('Testers to hand: all').click();
    const answered = page.waitForResponse((response) => /without=plug-in-tester%2Cvoltmeter-/.test(response.url()) && response.status() === 200);
    await page.getByRole('checkbox', { name: 'Plug-in tester' }).uncheck();
    await page.getByRole('checkbox', { name: 'Volts' }).uncheck();
    const advice = (await (await answered).json()) as { tests: { instrument: string }[] };
    expect(advice.tests.length).toBeGreaterThan(0);
    expect(advice.tests.filter((each) => /^(plug-in|voltmeter)/.test(each.instrument))).toEqual([]);
    await page.reload();
    await page.getByText('Not to hand: Volts; Plug-in tester').click();
    await page.getByRole('checkbox', { name: 'Volts' }).check();
    await expect(page.getByText(/^Not to hand/)).toHaveText('Not to hand: Plug-in tester');
});

test('a slow server and a quick hand: every figure of a run belongs to the point that was on the screen', async ({ page }) => {
    await openTrace(page, 'Mrs Adeyemi-Hartley');
    await page.keyboard.press('/');
    await page.getByLabel('Find', { exact: true }).fill('loop every point of ring, ground floor');
    await page.getByRole('dialog').getByRole('button', { name: /every point of Ring, ground floor/ }).first().click();
    const run = page.getByRole('region', { name: 'Run of readings' });
    await expect(run).toContainText(/\d of \d/);
    const stored: { test: string; raw: string; terminals: string[] }[] = [];
    await page.route('**/api/calls/*/observations', async (route) => {
        const { kind, payload } = route.request().postDataJSON() as { kind: string; payload: { test: string; raw: string; connection: { terminals: string[] } } };
        if (kind === 'measured') {
            stored.push({ test: payload.test, raw: payload.raw, terminals: payload.connection.terminals });
        }
        await new Promise((resolve) => setTimeout(resolve, 900));
        await route.continue();
    });
    await page.keyboard.press('r');
    const typed: { where: string; raw: string }[] = [];
    for (const raw of ['0.41', '0.42', '0.43', '0.44']) {
        typed.push({ where: await page.locator('#field-where').innerText(), raw });
        await page.keyboard.type(raw);
        await page.keyboard.press('Enter');
        await expect(page.getByLabel('What it shows')).toBeFocused({ timeout: 300 });
        await expect(page.getByLabel('What it shows')).toHaveValue('', { timeout: 300 });
    }
    expect(new Set(typed.map((each) => each.where)).size).toBe(4);
    const readings = page.getByRole('region', { name: 'Readings', exact: true });
    for (const { where, raw } of typed) {
        await expect(readings.getByRole('listitem').filter({ hasText: where }).filter({ hasText: raw })).toHaveCount(1);
    }
    expect(stored.map((each) => each.raw)).toEqual(['0.41', '0.42', '0.43', '0.44']);
    expect(new Set(stored.map((each) => each.test)).size).toBe(4);
    await run.getByRole('button', { name: 'End the run' }).click();
});
