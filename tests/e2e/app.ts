import { expect, type Page } from '@playwright/test';

/** @param goesOn whether what was in hand before is taken up again; a test begins with nothing in hand */
export async function login(page: Page, goesOn = false): Promise<void> {
    await page.goto('/');
    await page.getByLabel('E-mail').fill('ines@brindle.example');
    await page.getByLabel('Password').fill('two-probes');
    await page.getByRole('button', { name: 'Log in' }).click();
    await expect(page.getByRole('heading', { name: 'Calls', exact: true })).toBeVisible();
    const { calls } = goesOn ? { calls: [] } : ((await (await page.request.get('/api/calls')).json()) as { calls: { id: string }[] });
    for (const { id } of calls) {
        await page.request.put(`/api/calls/${id}/in-hand`, { data: { test: '', run: '', since: '', leftOut: [], forced: [] } });
    }
}

export async function pick(page: Page, label: string, option: string | RegExp): Promise<void> {
    await page.getByRole('button', { name: label }).click();
    await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
}

/** A house of the firm, found by words of its address. */
export async function pickHouse(page: Page, words: string): Promise<void> {
    await page.getByRole('combobox', { name: 'House' }).fill(words);
    await page.getByRole('option', { name: words }).click();
}

/** The probability in front of a named cause, in percent; 0 when it is not in the list. */
export async function percentOf(page: Page, cause: RegExp): Promise<number> {
    const line = page.getByRole('region', { name: 'What fits' }).getByRole('listitem').filter({ hasText: cause }).first();
    const text = (await line.count()) === 0 ? '0' : await line.innerText();
    return Number(text.replace(/[<>]/g, '').match(/\d+/)?.[0] ?? 0);
}

/** A call at an address that has no house yet. */
export async function openCall(page: Page, address: string, complaint: string): Promise<void> {
    await page.getByRole('button', { name: 'Open a call' }).click();
    await page.getByLabel('Address').fill(address);
    await page.getByLabel('Customer', { exact: true }).fill('Mrs Pell');
    await page.getByLabel('Complaint, in the customer’s words').fill(complaint);
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await expect(page).toHaveURL(/\/hear$/);
}

/** Takes steps of an isolation whose fields are filled in, by their numbers. */
export async function takeSteps(page: Page, from: number, to: number): Promise<void> {
    for (let step = from; step <= to; ++step) {
        await page.getByRole('button', { name: 'Done', exact: true }).first().click();
        await expect(page.getByRole('listitem').filter({ hasText: /^\d/ }).nth(step - 1)).toContainText('by Ines Corran');
    }
}

/** Takes a tester in hand, to put its leads by hand. */
export async function hand(page: Page, tester: string): Promise<void> {
    const dock = page.getByRole('region', { name: 'What to do' });
    const reading = dock.getByRole('form', { name: 'Reading' });
    await expect(dock).toBeVisible();
    if ((await reading.count()) === 0) {
        await dock.getByRole('button', { name: /^Another test/ }).first().click();
        await page.getByRole('button', { name: 'Choose tester and leads yourself' }).click();
    }
    await reading.getByRole('button').first().click();
    await page.getByRole('radio', { name: tester, exact: true }).click();
}

/** Until the server has weighed what is stored: before that it answers questions about a test with how far it is. */
export async function ranked(page: Page, call: string): Promise<void> {
    await expect(async () => expect((await page.request.get(`/api/calls/${call}/ranking`)).status()).toBe(200)).toPass();
}

/** Takes the acts that come before the reading, until its field is there. */
export async function prepare(page: Page): Promise<void> {
    const field = page.getByLabel('What it shows');
    const step = page.getByRole('button', { name: /^Step \d+ done$/ });
    await expect(field.or(step)).toBeVisible();
    while (!(await field.isVisible())) {
        const name = await step.innerText();
        await step.click();
        await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0);
        await expect(field.or(step)).toBeVisible();
    }
}

/** Goes to a stage of the call: by its link, or by the list where there is no room for links. */
export async function goTo(page: Page, name: RegExp): Promise<void> {
    const stages = page.getByRole('navigation', { name: 'Stages of the call' });
    await expect(stages).toBeVisible();
    const link = stages.getByRole('link', { name });
    if (await link.isVisible()) {
        await link.click();
    } else {
        await stages.getByRole('button').click();
        await page.getByRole('menuitem', { name }).click();
    }
}
