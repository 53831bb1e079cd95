import { expect, type Page } from '@playwright/test';

export async function login(page: Page): Promise<void> {
    await page.goto('/');
    await page.getByLabel('E-mail').fill('ines@brindle.example');
    await page.getByLabel('Password').fill('two-probes');
    await page.getByRole('button', { name: 'Log in' }).click();
    await expect(page.getByRole('heading', { name: 'Calls', exact: true })).toBeVisible();
}

export async function pick(page: Page, label: string, option: string | RegExp): Promise<void> {
    await page.getByRole('button', { name: label }).click();
    await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
}

/** The probability in front of a named cause, in percent; 0 when it is not in the list. */
export async function percentOf(page: Page, cause: RegExp): Promise<number> {
    const line = page.getByRole('region', { name: 'What still fits' }).getByRole('button', { name: cause }).first();
    const text = (await line.count()) === 0 ? '0' : await line.innerText();
    return Number(text.replace(/[<>]/g, '').match(/\d+/)?.[0] ?? 0);
}
