import { defineConfig } from '@playwright/test';

const flags = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'];

export default defineConfig({
    testDir: '../tests/e2e',
    outputDir: '../var/e2e',
    timeout: 180_000,
    expect: { timeout: 15_000 },
    workers: 1,
    retries: 0,
    reporter: [['list']],
    use: {
        baseURL: process.env.E2E_URL ?? 'http://127.0.0.1:8090',
        viewport: { width: 1280, height: 800 },
        launchOptions: { executablePath: '/usr/bin/chromium', args: flags },
        actionTimeout: 30_000,
        trace: 'retain-on-failure',
    },
});
