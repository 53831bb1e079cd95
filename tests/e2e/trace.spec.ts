import { expect, test } from '@playwright/test';
import { login } from './app';

test('a run of readings by keyboard: it moves on by itself, counts, and names what stands out', async ({ page }) => {
    await login(page);
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await expect(page.getByRole('navigation', { name: 'Stages of the call' })).toBeVisible();
    await page.keyboard.press('Alt+5');
    await expect(page).toHaveURL(/\/trace$/);
    await expect(page.getByText(/^What still fits/)).toBeAttached();
    await page.keyboard.press('b');
    await page.getByLabel('Find', { exact: true }).fill('plug-in');
    await page.getByRole('button', { name: /every point of Ring, upper floor/ }).click();
    const run = page.getByRole('region', { name: 'Run of readings' });
    // The landing was read before this run began.
    await expect(run).toContainText('1 of 5');
    for (const [at, lamps] of ['110', '100', '110', '110'].entries()) {
        await page.keyboard.press('r');
        await page.keyboard.type(lamps);
        await page.keyboard.press('Enter');
        await expect(run).toContainText(`${at + 2} of 5`);
        await expect(page.getByLabel('What it shows')).toHaveValue('');
        await page.getByLabel('What it shows').blur();
    }
    await expect(run).toContainText('All taken.');
    await expect(run).toContainText('Stands out: Front room right 100');
    await page.reload();
    await expect(run).toContainText('5 of 5');
    await run.getByRole('button', { name: 'End the run' }).click();
    await expect(run).toHaveCount(0);
});

test('finding a point, what the next lead would show, the map larger, and the sheet of shortcuts', async ({ page }) => {
    await login(page);
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await expect(page.getByRole('navigation', { name: 'Stages of the call' })).toBeVisible();
    await page.keyboard.press('Alt+5');
    await page.getByRole('radio', { name: 'Volts' }).click();
    await page.keyboard.press('f');
    await page.keyboard.type('Bay window');
    await expect(page.getByRole('button', { name: 'Lead A on Bay window · L', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Lead A on Bay window · L', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Lead B on Bay window · N', exact: true })).toContainText(/22\d V/);
    const map = page.getByRole('group', { name: 'Line map of the house' });
    const before = (await map.boundingBox())?.width ?? 0;
    await page.getByRole('button', { name: 'Map larger' }).click();
    expect((await map.boundingBox())?.width ?? 0).toBeGreaterThan(before);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('begin a run of readings');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a neutral is clamped before it is parted; amps in it forbid it, and the reading stays', async ({ page }) => {
    await login(page);
    await page.getByText('Mrs Adeyemi-Hartley').first().click();
    await expect(page.getByRole('navigation', { name: 'Stages of the call' })).toBeVisible();
    await page.keyboard.press('Alt+5');
    await expect(page.getByText(/^What still fits/)).toBeAttached();
    await page.keyboard.press('s');
    const neutral = page.getByRole('group', { name: /Lights, upper floor/ }).filter({ has: page.getByRole('button', { name: 'lifted' }) }).first();
    await neutral.getByRole('button', { name: 'lifted' }).click();
    await page.getByLabel('What the clamp shows around it').fill('0.26 A');
    await page.getByRole('button', { name: 'Clamped, and lifted' }).click();
    await expect(page.getByRole('alert')).toContainText('do not part it');
    await page.getByRole('button', { name: 'Leave it landed' }).click();
    await expect(neutral.getByRole('button', { name: 'landed' })).toHaveAttribute('aria-pressed', 'true');
    await neutral.getByRole('button', { name: 'lifted' }).click();
    await page.getByLabel('What the clamp shows around it').fill('0.00 A');
    await page.getByRole('button', { name: 'Clamped, and lifted' }).click();
    await expect(neutral.getByRole('button', { name: 'lifted' })).toHaveAttribute('aria-pressed', 'true');
    await neutral.getByRole('button', { name: 'landed' }).click();
    await expect(neutral.getByRole('button', { name: 'landed' })).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'Readings' })).toContainText('0.26 A');
});
