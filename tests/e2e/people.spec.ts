import { expect, test, type Page } from '@playwright/test';
import { goTo, hand, login, openCall, pick } from './app';

async function enter(page: Page, email: string, password = 'two-probes'): Promise<void> {
    await page.goto('/');
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Log in' }).click();
    await expect(page.getByRole('heading', { name: 'Calls', exact: true })).toBeVisible();
}

async function logOut(page: Page, name: RegExp): Promise<void> {
    await page.getByRole('button', { name }).click();
    await page.getByRole('menuitem', { name: 'Log out' }).click();
    await expect(page.getByRole('button', { name: 'Log in' })).toBeVisible();
}

test('somebody is invited, chooses a password by the link in the mail, and is let out again', async ({ page, browser }) => {
    const email = `bo-${String(Date.now())}@brindle.example`;
    await login(page);
    await expect(page.getByText('Demonstration: everything here is invented.')).toBeVisible();
    await page.getByRole('button', { name: /Ines Corran/ }).click();
    await page.getByRole('menuitem', { name: 'People' }).click();
    await page.getByRole('button', { name: 'Invite somebody' }).click();
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Name, as it stands on records').fill('Bo Hallam');
    await page.getByRole('radio', { name: /Office/ }).check();
    await page.getByRole('button', { name: 'Send the invitation' }).click();
    await expect(page.getByRole('status').filter({ hasText: `on its way to ${email}` })).toBeVisible();
    const mail = page.getByRole('region', { name: 'Mails' }).locator('details').filter({ hasText: email });
    await mail.locator('summary').click();
    const link = /http:\S+\/password#\S+/.exec(await mail.innerText())?.[0] ?? '';

    const other = await (await browser.newContext()).newPage();
    await other.goto(link.slice(0, -2));
    await expect(other.getByRole('alert')).toContainText('Ask for a new one');
    await other.goto('about:blank');
    await other.goto(link);
    await expect(other.getByText(`For Bo Hallam, ${email}, at Brindle Electrical.`)).toBeVisible();
    await other.getByLabel('New password').fill('aaaaaaaaaaaa');
    await other.getByRole('button', { name: 'Choose this password' }).click();
    await expect(other.getByRole('alert')).toContainText('too easy to guess');
    await other.getByLabel('New password').fill('lamp kettle stair nine');
    await other.getByRole('button', { name: 'Choose this password' }).click();
    await expect(other.getByRole('status')).toContainText('Log in with it.');
    await other.getByRole('link', { name: 'Back to the login' }).click();
    await enter(other, email, 'lamp kettle stair nine');

    // The office opens a call and writes down what is told; it measures nothing and sees nobody's role.
    await openCall(other, '5 Tansy Row', 'It hums.');
    await expect(other.getByText('Measuring, repairing and closing is for others.')).toBeVisible();
    await other.getByLabel('In plain words').fill('It hums at night.');
    await other.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(other.getByText('It hums at night.').first()).toBeVisible();
    await other.getByRole('button', { name: /Bo Hallam/ }).click();
    await expect(other.getByRole('menuitem', { name: 'People' })).toHaveCount(0);
    await other.keyboard.press('Escape');

    await page.getByRole('button', { name: 'Role and login of Bo Hallam' }).first().click();
    await page.getByRole('button', { name: 'Deactivate …' }).click();
    await page.getByRole('button', { name: 'Deactivate', exact: true }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Bo Hallam: deactivated' })).toBeVisible();
    await other.reload();
    await expect(other.getByRole('button', { name: 'Log in' })).toBeVisible();
    const log = page.getByRole('region', { name: 'Security log' });
    await expect(log.getByText('Deactivated: Ines Corran').first()).toBeVisible();
});

test('a trainee does no live step alone; the electrician confirms with their own password', async ({ page }) => {
    await enter(page, 'rafe@brindle.example');
    await openCall(page, '6 Tansy Row', 'A socket is dead.');
    await goTo(page, /Trace/);
    await expect(page.getByText('Live steps need an electrician beside you.')).toBeVisible();
    const read = async () => {
        await page.getByRole('checkbox', { name: 'The point is not on the map' }).check();
        await page.getByLabel('Where, in words').fill('at the socket by the door');
        await page.getByLabel('What it shows').fill('230');
        await page.getByRole('button', { name: 'Store', exact: true }).click();
    };
    await hand(page, 'Voltmeter');
    await read();
    await expect(page.getByText('1 entry waits for that.')).toBeVisible();
    await page.getByRole('button', { name: 'Have them confirm' }).click();
    await pick(page, 'Electrician', 'Tam Weller');
    await page.getByLabel('Their password or PIN').fill('not his');
    await page.getByRole('button', { name: 'I stand beside Rafe Tolland' }).click();
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText('not the password or PIN');
    await page.getByLabel('Their password or PIN').fill('two-probes');
    await page.getByRole('button', { name: 'I stand beside Rafe Tolland' }).click();
    await expect(page.getByText(/Tam Weller stands beside you until/)).toBeVisible();
    await expect(page.getByText('1 entry waits for that.')).toHaveCount(0);
    await goTo(page, /Hand over/);
    await expect(page.getByText('at the socket by the door').first()).toBeVisible();
    await expect(page.getByText('Tam Weller stands beside Rafe Tolland at live steps')).toBeVisible();
    await expect(page.getByText('Your role accepts no cause and closes no call.')).toBeVisible();
});

test('logging out leaves nothing of a customer on the device, and asks when something waits', async ({ page }) => {
    await login(page);
    await openCall(page, '7 Tansy Row', 'A secret complaint.');
    await page.getByLabel('In plain words').fill('Typed and not stored.');
    await page.route('**/observations', (route) => route.abort());
    await page.getByLabel('In plain words').fill('Waits to be sent.');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByRole('button', { name: '1 entry saved here, not stored yet' })).toBeVisible();
    await page.getByRole('button', { name: /Ines Corran/ }).click();
    await page.getByRole('menuitem', { name: 'Log out' }).click();
    await expect(page.getByRole('dialog')).toContainText('1 entry of yours has not reached the server.');
    await page.getByRole('button', { name: 'Stay' }).click();
    await page.unroute('**/observations');
    await expect(page.getByRole('button', { name: '1 entry saved here, not stored yet' })).toHaveCount(0, { timeout: 20_000 });
    await page.getByLabel('In plain words').fill('Typed and not stored.');
    await logOut(page, /Ines Corran/);
    expect(await page.evaluate(() => JSON.stringify({ ...localStorage, ...sessionStorage }))).not.toContain('Typed');
    await page.goBack();
    await expect(page.getByText('A secret complaint.')).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Log in' })).toBeVisible();
});

test('a new password signs other devices out; a forgotten one is asked for by mail', async ({ page, browser }) => {
    await enter(page, 'perpetua@lets.example');
    const phone = await (await browser.newContext()).newPage();
    await enter(phone, 'perpetua@lets.example');
    await page.getByRole('button', { name: /Perpetua Quill/ }).click();
    await page.getByRole('menuitem', { name: 'Your login' }).click();
    const logins = page.getByRole('region', { name: 'Where you are logged in' });
    await expect(logins.getByRole('listitem').filter({ hasText: 'this device' })).toHaveCount(1);
    await page.getByLabel('Your password now').fill('two-probes');
    await page.getByLabel('New password').fill('two-probes');
    await page.getByRole('button', { name: 'Change the password' }).click();
    await expect(page.getByText('Every other device was signed out.')).toBeVisible();
    await phone.reload();
    await expect(phone.getByRole('button', { name: 'Log in' })).toBeVisible();
    await phone.getByRole('button', { name: 'Forgotten your password?' }).click();
    await phone.getByLabel('E-mail').fill('perpetua@lets.example');
    await phone.getByRole('button', { name: 'Send me a link' }).click();
    await expect(phone.getByRole('status')).toContainText('a link is on its way');
    // A reader reads.
    await page.getByRole('link', { name: 'Yellow Probe, all calls' }).click();
    await expect(page.getByRole('button', { name: 'Open a call' })).toHaveCount(0);
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await expect(page.getByText('Your role stores nothing in it.')).toBeVisible();
});

test('calls are found by words, a page at a time', async ({ page }) => {
    await login(page);
    const word = `word${String(Date.now())}`;
    await page.evaluate(async (marked) => {
        for (let at = 0; at < 52; ++at) {
            const id = `${(Date.now() + at).toString(16).padStart(12, '0').replace(/^(.{8})(.{4})$/, '$1-$2')}-7000-8000-${Math.random().toString(16).slice(2, 14).padEnd(12, '0')}`;
            const answer = await fetch('/api/calls', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ id, address: `${String(at)} Page Street`, customer: 'Mrs Many', complaint: `It ${marked} often.`, visit: 'fault', openedAt: '2026-11-01T09:00:00Z' }) });
            if (!answer.ok) {
                throw new Error(await answer.text());
            }
        }
    }, word);
    await page.getByRole('searchbox', { name: 'Search' }).fill(`many ${word}`);
    const found = page.getByRole('link').filter({ hasText: 'Page Street' });
    await expect(found).toHaveCount(50);
    await page.getByRole('button', { name: 'Show more' }).click();
    await expect(found).toHaveCount(52);
    await page.reload();
    await expect(found).toHaveCount(50);
    await page.getByRole('searchbox', { name: 'Search' }).fill(`${word} nowhere`);
    await expect(page.getByText(`No call has “${word} nowhere”`)).toBeVisible();
});
