import { execFileSync, spawn } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { expectAccessible } from './world.js';

const root = new URL('../..', import.meta.url).pathname;
const empty = 'http://127.0.0.1:8012';
const database = `${root}storage/testing/empty.sqlite`;
const env = {
  ...process.env,
  APP_ENV: 'production',
  APP_URL: empty,
  LINNET_PROVIDERS: '',
  DB_DATABASE: database,
  SESSION_DRIVER: 'file',
  CARRIER_SECRET: 'alder-lock-carrier',
};
let server;

test.beforeAll(async () => {
  ['', '-wal', '-shm'].forEach((end) => rmSync(database + end, { force: true }));
  writeFileSync(database, '');
  execFileSync('php', ['artisan', 'migrate', '--force', '-q'], { cwd: root, env });
  server = spawn('php', ['-S', '127.0.0.1:8012', '../server.php'], { cwd: `${root}public`, env, stdio: 'ignore' });
  await expect
    .poll(() =>
      fetch(`${empty}/up`).then(
        (answer) => answer.status,
        () => 0,
      ),
    )
    .toBe(200);
});
test.afterAll(() => server.kill());

test('an empty database is set up from its first page, somebody is invited, logs in and is told of a reply', async ({
  page,
  browser,
}) => {
  await page.goto(empty);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Set up Linnet');
  await expectAccessible(page);
  await page.getByLabel('What the business is called').fill('Alder Lock Canoes');
  await page.getByLabel('Country').selectOption({ label: 'Canada' });
  await page.getByLabel('Time zone').selectOption('America/Toronto');
  await page.getByLabel('Currency').selectOption('CAD');
  await page.getByLabel('Your name').fill('Ines Falk');
  await page.getByLabel('Your email').fill('ines@alderlock.example');
  await page.getByLabel('A password').fill('short');
  await page.getByRole('button', { name: 'Set up' }).click();
  await expect(page.getByRole('alert')).toContainText('Take at least 10 characters.');
  await expect(page.getByLabel('Time zone')).toHaveValue('America/Toronto');
  await expectAccessible(page);
  await page.getByLabel('A password').fill('weir and sluice');
  await page.getByRole('button', { name: 'Set up' }).click();
  await expect(page.locator('#toast')).toContainText('Add the first line');
  await expectAccessible(page);
  for (const place of [
    'Today',
    'Rules',
    'Conversations',
    'People',
    'Records',
    'Ahead',
    'Sent',
    'Safeguards',
    'Settings',
  ]) {
    await page.getByRole('link', { name: place, exact: true }).first().click();
    await expect(page.locator('h1')).toBeVisible();
    await expectAccessible(page);
  }

  await page.getByRole('link', { name: 'Staff', exact: true }).click();
  await page.getByLabel('Name', { exact: true }).fill('Otto Brandt');
  await page.getByLabel('Email', { exact: true }).fill('otto@alderlock.example');
  await page.getByRole('button', { name: 'Invite', exact: true }).click();
  await expect(page.getByText('invited', { exact: true })).toBeVisible();
  await expectAccessible(page);
  const otto = await (await browser.newContext()).newPage();
  await otto.goto(await page.locator('#invitation').innerText());
  await expectAccessible(otto);
  await otto.getByLabel('A password').fill('lock keeper at dawn');
  await otto.getByRole('button', { name: 'Keep it, and log in' }).click();
  await expect(otto.getByRole('heading', { level: 1 })).toHaveText('Conversations');
  await expect(otto.getByRole('link', { name: 'Otto Brandt' })).toBeVisible();

  await page.getByRole('link', { name: 'Lines', exact: true }).first().click();
  await page.getByLabel('You call it').fill('lock house');
  await page.getByLabel('Number, or name to send as').fill('416 555 0190');
  await page.getByRole('button', { name: 'Add a line' }).click();
  await expect(page.getByRole('checkbox', { name: 'Ines Falk' })).toBeChecked();
  await page.getByRole('checkbox', { name: 'Otto Brandt' }).check();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: 'Otto Brandt' })).toBeChecked();
  const told = await page.request.post(`${empty}/in/carrier`, {
    headers: { Authorization: `Bearer ${env.CARRIER_SECRET}` },
    data: { kind: 'text', ref: 'A1', from: '+14165550142', to: '+14165550190', text: 'Is the lock open on Sunday?' },
  });
  expect(told.ok()).toBe(true);
  await otto.reload();
  await expect(otto.locator('.told')).toContainText('For you to answer: +1 416');
  await otto.context().close();
});
