import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const root = new URL('.', import.meta.url).pathname;

export const linnet = 'http://127.0.0.1:8010';
export const standins = 'http://127.0.0.1:8011';
export const clockFile = `${root}storage/testing/clock.json`;

// What lives through days goes by the order of its files: the clock never goes back. The screens are only looked at, beside it.
export default defineConfig({
  testDir: 'tests/Browser',
  workers: 2,
  projects: [
    { name: 'screens', testMatch: /1-every-screen/, workers: 1 },
    { name: 'days', testIgnore: /1-every-screen/, workers: 1 },
  ],
  // Room for a machine that is shared and at times hardly runs: nothing waits that long where it does.
  timeout: 900_000,
  expect: { timeout: 60_000 },
  reporter: [['list']],
  use: {
    baseURL: linnet,
    locale: 'en-GB',
    viewport: { width: 1280, height: 800 },
    actionTimeout: 120_000,
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find(existsSync),
      chromiumSandbox: false,
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
  webServer: {
    command: 'mkdir -p storage/testing && exec bin/demo --fresh',
    wait: { stdout: /Linnet is running/ },
    timeout: 900_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5_000 },
    env: {
      LINNET_PORT: '8010',
      STANDINS_PORT: '8011',
      DEMO_CLOCK: 'stop',
      DEMO_DAYS: '5',
      BCRYPT_ROUNDS: '4',
      CLOCK_FILE: 'testing/clock.json',
      DB_DATABASE: `${root}storage/testing/linnet.sqlite`,
      STANDINS_DATABASE: `${root}storage/testing/standins.sqlite`,
    },
  },
});
