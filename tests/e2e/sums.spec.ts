import { expect, test } from '@playwright/test';
import { goTo, login, pick } from './app';

test('a sum without a call: a decimal comma is taken, two readings are asked, the result goes into a call', async ({ page }) => {
    await login(page);
    await page.getByRole('link', { name: 'Sums' }).click();
    const answer = page.getByRole('region', { name: 'Zₛ limit and temperature' });
    await expect(answer.getByText('1.37 Ω')).toBeVisible();
    await page.getByLabel('R1+R2 at 20 °C').fill('0,9');
    await expect(answer.getByText('The breaker would not open at once when the cable is warm.')).toBeVisible();

    // What cannot be read is said, and nothing typed is lost.
    await page.getByLabel('R1+R2 at 20 °C').fill('1,200');
    await expect(answer.getByRole('alert')).toContainText('write 1.200 or 1200');
    await expect(page.getByLabel('R1+R2 at 20 °C')).toHaveValue('1,200');
    await page.getByLabel('R1+R2 at 20 °C').fill('0.9');
    await expect(answer.getByRole('alert')).toHaveCount(0);

    await pick(page, 'Use this in a call', /Mrs Adeyemi-Hartley/);
    await page.getByRole('button', { name: 'Put it into the call' }).click();
    await expect(page.getByRole('button', { name: 'It stands in the call' })).toBeDisabled();
    await page.goto('/');
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await goTo(page, /Hear/);
    await expect(page.getByText(/^Sum, Zₛ limit and temperature: .*R1\+R2 at 20 °C 0\.9 Ω.*Largest Zₛ, warm: 1\.37 Ω/).first()).toBeVisible();
});

test('sums have addresses of their own, for the back button and a reload', async ({ page }) => {
    await login(page);
    await page.goto('/sums/ring');
    await expect(page.getByText('0.333 Ω')).toBeVisible();
    await page.getByRole('link', { name: 'Voltage drop' }).click();
    await expect(page.getByText('3.56 V')).toBeVisible();
    await page.goBack();
    await expect(page.getByText('0.333 Ω')).toBeVisible();
    await page.reload();
    await expect(page.getByText('0.333 Ω')).toBeVisible();
    await page.goto('/sums/tea');
    await expect(page.getByText('There is no such sum.')).toBeVisible();
});
