import { expect, test } from '@playwright/test';
import { clockTo, expectAccessible, handsetOf, logIn, readCode, writeFrom } from './world.js';

const MINE = '+447700900318';

test('a keyword with a pool of three is tried, then texted five times: each wording in its turn', async ({ page }) => {
  clockTo('2026-04-27T09:00:00Z');
  await logIn(page);
  await page.goto('/keywords');
  await page.getByLabel('This text').fill('what is the water level');
  await page.getByLabel('From (empty: somebody we do not know)').fill('nobody');
  await page.getByRole('button', { name: 'Try it' }).click();
  await expect(page.getByRole('alert')).toContainText('That is no telephone number.');
  await expectAccessible(page);
  await page.goto('/keywords?text=what+is+the+water+level');
  await expect(page.locator('#tried')).toContainText('It starts “LEVEL: how is the water”');

  const wordings = [/The gauge at the quay stands at/, /Calm and low today/, /The board on the quay says green/];
  const said = await (await handsetOf(page, MINE)).locator('.says').count();
  const days = ['04-27', '04-28', '04-29', '04-30', '05-01'];
  for (const [i, day] of days.entries()) {
    clockTo(`2026-${day}T10:00:00Z`);
    await writeFrom(page, MINE, 'Level', 'the front desk');
    await expect(page.locator('#texts .says')).toHaveCount(said + i + 1);
    await expect(page.locator('#texts .says').last()).toHaveText(wordings[i % 3]);
  }
});

test('a word and a form are read from their codes by another’s reader', async ({ page }) => {
  await logIn(page);
  await page.goto('/keywords');
  await page.getByText('QR code and link').first().click();
  const code = page.locator('.qr svg').first();
  expect(await readCode(code)).toMatch(/^sms:\+447700900\d{3}\?body=[A-Z%0-9]+$/);
  await expectAccessible(page);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Keep it as a picture (SVG)' }).first().click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^keyword-.+\.svg$/);

  await page.goto('/settings/forms');
  await page.getByRole('link', { name: 'Ask about hire' }).click();
  await page.getByText('QR code', { exact: true }).click();
  expect(await readCode(page.locator('.qr svg'))).toBe(
    await page.locator('aside a[href*="/f/hire"]').first().getAttribute('href'),
  );
});
