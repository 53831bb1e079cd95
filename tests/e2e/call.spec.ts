import { expect, test } from '@playwright/test';
import { goTo, hand, login, percentOf, pick, pickHouse, takeSteps } from './app';

// The customer's truth, hidden from the page: in Wicket Lane the stair light borrows the neutral of the upper lights.
test('a call-out from the complaint to the printed record', async ({ page }) => {
    await login(page);
    await page.getByRole('button', { name: 'Open a call' }).click();
    await pickHouse(page, '4 Wicket Lane');
    await page.getByLabel('Customer', { exact: true }).fill('Mr Quist, with a name that goes on and on so that it has to be cut somewhere on a phone');
    await page.getByLabel('Complaint, in the customer’s words').fill('The lower half goes off when the stair light is put on.');
    await page.getByRole('button', { name: 'Open', exact: true }).click();

    // Hear
    await expect(page).toHaveURL(/\/hear$/);
    await expect(page.getByText('“The lower half goes off when the stair light is put on.”').first()).toBeVisible();
    await page.getByLabel('In plain words').fill('Since the new fuse box.');
    await pick(page, 'What happens', 'A residual device trips');
    await pick(page, 'Just before', 'The board was changed lately');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    const told = page.getByRole('listitem').filter({ hasText: 'Since the new fuse box.' });
    await expect(told).toContainText('A residual device trips');
    await expect(told).toContainText('The board was changed lately');
    await page.getByRole('link', { name: 'On to covers-on tests' }).click();

    // Trace, covers on: a wrong unit first, then what the tester shows.
    await expect(page.getByText('What fits, after 0 readings')).toBeVisible();
    await hand(page, 'Voltmeter');
    await page.getByRole('button', { name: /^Hall: / }).click();
    await page.getByRole('button', { name: 'Lead A on Hall · L', exact: true }).click();
    await page.getByRole('button', { name: 'Lead B on Hall · E', exact: true }).click();
    await expect(page.getByRole('region', { name: 'What to do' }).getByText('228 V').first()).toBeVisible();
    await page.getByLabel('What it shows').fill('0.4 Ω');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('Voltmeter reads V, not Ω');
    await expect(page.getByLabel('What it shows')).toHaveValue('0.4 Ω');
    await page.getByLabel('What it shows').fill('229 V');
    await page.getByLabel('What it shows').press('Enter');
    await expect(page.getByText('What fits, after 1 reading')).toBeVisible();
    await expect(page.getByRole('region', { name: 'What to do' }).getByText('As this house should')).toBeVisible();

    // Reload in the middle: tester, probes and what was typed are still there.
    await page.getByLabel('What it shows').fill('23');
    await page.reload();
    await expect(page.getByLabel('What it shows')).toHaveValue('23');
    await expect(page.getByText('A on Hall · L → B on Hall · E')).toBeVisible();
    await page.getByLabel('What it shows').fill('');

    // A point the map does not hold.
    await page.getByLabel('The point is not on the map').check();
    await page.getByLabel('Where, in words').fill('socket behind the freezer');
    await page.getByLabel('What it shows').fill('231');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByText('Not on the map yet: stored, not judged.')).toBeVisible();

    // The two-state test that decides: the residual of the lower lights with the stair light on.
    const before = await percentOf(page, /Borrowed neutral/);
    await page.getByRole('button', { name: 'Switch or lift' }).click();
    await page.getByRole('group', { name: 'Stair switch, head' }).getByRole('button', { name: '1' }).click();
    await expect(page.getByRole('group', { name: 'Stair switch, head' }).getByRole('button', { name: '1' })).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Escape');
    await hand(page, 'Leakage clamp');
    await page.getByRole('button', { name: /^Way: Lights, ground floor/ }).click();
    await page.getByRole('button', { name: 'Lights, ground floor: line and neutral' }).click();
    await expect(page.locator('#field-where')).toHaveText('Lights, ground floor: line and neutral');
    await page.getByLabel('What it shows').fill('258');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByText('What fits, after 2 readings')).toBeVisible();
    await page.getByRole('button', { name: /^Way: Lights, upper floor/ }).click();
    await page.getByRole('button', { name: 'Lights, upper floor: line and neutral' }).click();
    await page.getByLabel('What it shows').fill('257 mA');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByText('What fits, after 3 readings')).toBeVisible();
    await expect.poll(() => percentOf(page, /Borrowed neutral/)).toBeGreaterThan(Math.max(90, before));
    await expect(page.getByRole('region', { name: 'What fits' }).getByText(/with this it would be 2\d\d mA/).first()).toBeVisible();

    // A tester for dead conductors is refused while they are live, and nothing typed is lost.
    await hand(page, 'Low ohms');
    await page.getByRole('button', { name: /^Hall: / }).click();
    await page.getByRole('button', { name: 'Take off' }).click();
    await page.getByRole('button', { name: 'Lead A on Hall · L', exact: true }).click();
    await page.getByRole('button', { name: 'Lead B on Hall · N', exact: true }).click();
    await page.getByLabel('What it shows').fill('0.5');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('for dead conductors only');
    await page.getByLabel('What it shows').fill('');

    // Accept the cause.
    const cause = page.getByRole('region', { name: 'What fits' }).getByRole('listitem').filter({ hasText: 'Borrowed neutral' }).first();
    await cause.getByRole('button').first().click();
    await cause.getByRole('button', { name: 'Accept this cause' }).click();
    await pick(page, 'How it is known', 'Measured');
    await page.getByLabel('How it came about').fill('Neutrals parted at the board change.');
    await page.getByRole('dialog').getByRole('button', { name: 'Accept this cause' }).click();
    await expect(page.getByText('Borrowed neutral Stair light', { exact: false }).first()).toBeVisible();

    // Make safe, in order, one step left out with its reason.
    await goTo(page, /Make safe/);
    await takeSteps(page, 1, 2);
    await page.getByRole('button', { name: 'Leave out' }).click();
    await page.getByLabel('Reason, as it will stand on the record').fill('The lamp upstairs has no other socket.');
    await page.getByRole('button', { name: 'Leave it out' }).click();
    await expect(page.getByText('Left out: The lamp upstairs has no other socket.')).toBeVisible();
    // Place and scope first: what is ticked as opened is what the record names.
    await expect(page.getByText('Say above where the work is')).toBeVisible();
    await pick(page, 'Where the work is', 'Consumer unit');
    await expect(page.getByRole('region', { name: 'Scope of the isolation' })).toContainText('The incoming terminals of the main switch');
    await takeSteps(page, 4, 5);
    await page.getByLabel('Who keeps the key').fill('Ines Corran');
    await page.getByLabel('Number on the lock, Main switch').fill('17');
    await takeSteps(page, 6, 7);
    while (await page.getByRole('button', { name: 'No voltage', exact: true }).isVisible()) {
        await page.getByRole('button', { name: 'No voltage', exact: true }).click();
    }
    await page.getByRole('button', { name: 'No voltage on any pair' }).click();
    await takeSteps(page, 9, 9);
    await expect(page.getByText('no voltage found, reference not proved')).toBeVisible();
    await expect(page.getByText('proved dead here')).toHaveCount(0);

    // The repair, power back, and the failed test again as proof.
    await goTo(page, /Put right/);
    await page.getByLabel('What was done, with torque where it is stated').fill('Neutral of the stair light moved to its own way, 2 N m.');
    await page.getByLabel('Minutes', { exact: true }).fill('25');
    await page.getByRole('button', { name: 'Store the repair' }).click();
    await expect(page.getByRole('heading', { name: 'Prove it' })).toBeVisible();
    const back = page.getByRole('region', { name: 'Switching on again' });
    await expect(back).toContainText('Main switch');
    // The lock comes off first, by name.
    await back.getByRole('link', { name: 'Locked; Ines Corran keeps the key.' }).click();
    await page.getByRole('button', { name: 'Lock off, Main switch' }).click();
    await page.getByRole('region', { name: 'Locks' }).getByRole('button', { name: 'Done' }).click();
    await expect(page.getByText('No lock hangs.')).toBeVisible();
    await goTo(page, /Put right/);
    while (await back.isVisible()) {
        const before = await back.innerText();
        // The last step takes the list away, perhaps between a look and the next.
        await back.getByRole('button', { name: 'On, and as expected' }).click({ timeout: 5_000 }).catch(() => undefined);
        await expect(async () => expect(await back.innerText({ timeout: 500 }).catch(() => '')).not.toBe(before)).toPass();
    }
    await page.getByRole('button', { name: 'Repeat' }).first().click();
    await page.getByLabel('What it shows').fill('0.4');
    await page.getByRole('button', { name: 'Store', exact: true }).click();
    await expect(page.getByText('after the repair').first()).toBeVisible();
    await page.goBack();
    await expect(page.getByText('Proved with 0.4', { exact: false })).toBeVisible();

    // The record, and what it prints.
    const again = page.getByRole('region', { name: 'Try the complaint again' });
    await again.getByRole('button', { name: 'Gone' }).click();
    await expect(again.getByRole('listitem')).toContainText('Gone at');
    await goTo(page, /Hand over/);
    await expect(page.getByText('Complaint tried again: gone')).toBeVisible();
    await page.getByLabel('Advice to the customer').fill('Have the board inspected.');
    await page.getByRole('button', { name: 'Add to the record' }).click();
    await expect(page.getByText('Proves the repair')).toBeVisible();
    await page.getByLabel('Who was told, and how').fill('Mr Quist, at the door');
    await expect(page.getByRole('button', { name: 'Hand over and close the call' })).toBeDisabled();
    await page.getByRole('button', { name: 'Give its verdict' }).click();
    await pick(page, 'What became of it', 'Cured, and seen to be');
    await page.getByLabel('How that is known').fill('Stair light on and off ten times.');
    await page.getByRole('button', { name: 'Store the verdict' }).click();
    // Covers were off: the call does not close before they are said to be on again.
    await page.getByRole('button', { name: 'Hand over and close the call' }).click();
    await expect(page.getByRole('form', { name: 'Hand over and close' }).getByRole('alert')).toContainText('say that every cover is on again');
    await page.getByLabel('Every cover is on again').check();
    await page.getByRole('button', { name: 'Hand over and close the call' }).click();
    await expect(page.getByRole('button', { name: 'Hand over and close the call' })).toHaveCount(0);
    const record = page.getByRole('article');
    await expect(record).toContainText('Reason: The lamp upstairs has no other socket.');
    await expect(record).toContainText('Neutral of the stair light moved to its own way');
    await expect(record).toContainText('Stair light on and off ten times.');
    await expect(record).toContainText('socket behind the freezer');
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(pdf).toMatch(/MediaBox\s*\[\s*0 0 59[45](\.\d+)? 84[12](\.\d+)?\s*\]/);
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('navigation', { name: 'Stages of the call' })).toBeHidden();
    await expect(page.getByRole('button', { name: 'Print, A4' })).toBeHidden();
});

test('an evening without the server: what is typed is kept and stored once', async ({ page, context }) => {
    const dog = `The dog was in the kitchen at ${Date.now()}.`;
    await login(page);
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await page.getByRole('navigation', { name: 'Stages of the call' }).getByRole('link', { name: 'Hear' }).click();
    await page.getByLabel('In plain words').fill(dog);
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByRole('button', { name: '1 entry saved here, not stored yet' }).click();
    await expect(page.getByRole('dialog')).toContainText(dog);
    await page.keyboard.press('Escape');
    await expect(page.getByLabel('In plain words')).toHaveValue('');
    await context.setOffline(false);
    await expect(page.getByText('saved here, not stored yet')).toHaveCount(0);
    await expect(page.locator('li').filter({ hasText: dog })).toHaveCount(1);
});

test('wrong password, lost session, no such call', async ({ page, context }) => {
    await page.goto('/calls/0190a000-0000-7000-8000-000000000000/hear');
    await page.getByLabel('E-mail').fill('ines@brindle.example');
    await page.getByLabel('Password').fill('wrong');
    await page.getByRole('button', { name: 'Log in' }).click();
    await expect(page.getByRole('alert')).toContainText('do not belong together');
    await page.getByLabel('Password').fill('two-probes');
    await page.getByRole('button', { name: 'Log in' }).click();
    await expect(page.getByRole('alert')).toContainText('nothing here that you can see');
    await page.getByRole('link', { name: 'Yellow Probe, all calls' }).click();
    await page.getByText('Salter’s Hill Cottage').first().click();
    await page.getByLabel('What was done, with torque where it is stated').fill('Half a sentence');
    await context.clearCookies();
    await page.reload();
    await expect(page.getByRole('button', { name: 'Log in' })).toBeVisible();
    await login(page);
    await page.getByText('Salter’s Hill Cottage').first().click();
    await expect(page.getByLabel('What was done, with torque where it is stated')).toHaveValue('Half a sentence');
});
