import { defineConfig } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';

// The sheets of all tests stand in one workshop: two of one number would meet there, whichever runs first.
const here = new URL('.', import.meta.url);
const begun = readdirSync(here)
  .filter((file) => file.endsWith('.spec.mjs'))
  .flatMap((file) => [...readFileSync(new URL(file, here), 'utf8').matchAll(/begin\(\w+, '([^']+)'/g)].map((m) => m[1]));
const twice = begun.filter((number, i) => begun.indexOf(number) < i);
if (twice.length) throw new Error(`Two browser tests begin a sheet of one number: ${twice.join(', ')}. Give one of them another.`);

/** Debian's Chromium, nothing downloaded; each worker starts a server of its own on the loopback address; two are
    quicker by a third, and on two cores late for what counts seconds. The limits are for a machine that shares its cores: they
    end what hangs, and say nothing of speed. */
export default defineConfig({
  testDir: '.',
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: Number(process.env.BROWSER_WORKERS ?? 1),
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
