import { expect, test } from '@playwright/test';
import { standins } from '../../playwright.config.js';
import { changeWords, expectAccessible, logIn } from './world.js';

const screens = [
  '/today',
  '/ahead',
  '/ahead/2026-03-03',
  '/sent/1',
  '/people/1/why-not?rule=1',
  '/people/1/write',
  '/rules',
  '/rules/1',
  '/rules/1?find=to',
  '/rules/1?if[]=they+sing',
  '/rules/1/versions',
  '/rules/1/trial',
  '/rules/1/starts?of=all',
  '/starters/booking-missed',
  '/conversations',
  '/conversations?find=quay&show=all',
  '/people',
  '/people/twice?by=name',
  '/sent',
  '/records/booking/calendar?day=2026-03-04',
  '/sources',
  '/sources/phone',
  '/sources/phone/mapping',
  '/sources/phone/settings',
  '/sources/racks',
  '/imports',
  '/records/booking',
  '/records/deal/board',
  '/records/deal/new',
  '/people/new',
  '/audiences',
  '/audiences/1',
  '/several',
  '/several/1',
  '/several/1/people',
  '/settings',
  '/settings/staff',
  '/password',
  '/account',
  '/tasks?whose=all',
  '/settings/record-types/booking',
  '/api',
  '/lines',
  '/keywords?text=kayak&line=1',
  '/lines/1',
  '/rules/new',
  '/rules/1/results',
  '/rules/1/rehearsal',
  '/results',
  '/rules/1/runs',
  '/starters',
  '/settings/forms',
  '/settings/forms/hire',
  '/settings/wordings',
  '/settings/wordings/water-level',
  '/f/hire',
  '/safeguards/consent',
  '/safeguards',
  '/nowhere',
];

const screen = { width: 1280, height: 800 };
const telephone = { width: 390, height: 800 };

test('no screen breaks an accessibility rule, all fit a telephone, and nothing is refused by the content policy', async ({
  page,
}) => {
  const refused = [];
  page.on(
    'console',
    (message) => /Content Security Policy|Uncaught/.test(message.text()) && refused.push(message.text()),
  );
  page.on('pageerror', (error) => refused.push(error.message));
  await page.goto('/log-in');
  await expectAccessible(page);
  await logIn(page);
  for (const path of screens) {
    await page.goto(path);
    await expectAccessible(page);
    await page.setViewportSize(telephone);
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(overflow, path).toBeLessThanOrEqual(0);
    await page.setViewportSize(screen);
  }
  await page.goto('/sources/phone');
  await page.locator('tbody a').first().click();
  await expectAccessible(page);
  await page.goto('/records/booking');
  await page.locator('tbody a').first().click();
  await expectAccessible(page);
  await page.goto('/sources/racks');
  await page.locator('tbody a').first().click();
  await expectAccessible(page);
  await page.goto('/people?find=petts');
  await page.getByRole('link', { name: 'Jon Petts' }).click();
  await expectAccessible(page);
  await page.goto('/conversations');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Conversations');
  await expect(page.getByRole('button', { name: 'Send' })).toBeVisible();
  await page.locator('.who').first().click();
  await expectAccessible(page);
  await page.goto('/rules/1');
  await page.locator('.w').first().click();
  await expect(page.getByRole('dialog', { name: 'What can stand here' })).toBeVisible();
  await expectAccessible(page);
  await changeWords(page);
  await page.locator('.cm-content .token').first().click();
  await expect(page.locator('.token-choices')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.keyboard.type(' {');
  await expect(page.getByRole('option').first()).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.locator('.reads').nth(1).press('Enter');
  await expect(page.getByRole('option', { name: /^wait until/ })).toBeVisible();
  await expectAccessible(page);
  await page.goto(standins);
  await expectAccessible(page);
  await page.locator('.phone').first().click();
  await expectAccessible(page);
  for (const name of ['Look into the shop', 'Book a lesson']) {
    await page.getByRole('link', { name }).click();
    await expectAccessible(page);
    await page.goBack();
  }
  expect(refused).toEqual([]);
});

test.describe('on a telephone', () => {
  test.use({ viewport: telephone });

  test('the rail folds into a bar', async ({ page }) => {
    await logIn(page);
    await page.goto('/today');
    await expect(page.getByRole('link', { name: 'Safeguards' })).toBeHidden();
    await page.getByRole('button', { name: 'Menu' }).click();
    await page.getByRole('link', { name: 'Safeguards' }).click();
    await expect(page.getByRole('heading', { name: 'Safeguards' })).toBeVisible();
  });
});
