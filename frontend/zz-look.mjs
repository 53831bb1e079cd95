import { chromium } from '@playwright/test';
const base = process.env.E2E_URL;
const [,, ...what] = process.argv;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: Number(process.env.W ?? 1280), height: Number(process.env.H ?? 800) } });
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
await page.goto(base);
await page.getByLabel('E-mail').fill('ines@brindle.example');
await page.getByLabel('Password').fill('two-probes');
await page.getByRole('button', { name: 'Log in' }).click();
await page.waitForTimeout(1500);
for (const step of what) {
    const [name, text, stage] = step.split('|');
    await page.goto(base);
    await page.getByText(text).first().click();
    await page.waitForTimeout(800);
    await page.goto(page.url().replace(/[^/]+$/, stage));
    await page.waitForTimeout(3500);
    await page.screenshot({ path: `/tmp/yp/shots/${name}.png`, fullPage: process.env.FULL === '1' });
    console.log(page.url());
}
await browser.close();
