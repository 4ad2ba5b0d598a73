import { defineConfig } from '@playwright/test';

/** Debian's Chromium, nothing downloaded; each of the two workers starts a server of its own on the loopback
    address. The limits are for a machine that shares its cores: they end what hangs, and say nothing of speed. */
export default defineConfig({
  testDir: '.',
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: 2,
  retries: 0,
  forbidOnly: true,
  outputDir: 'test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
