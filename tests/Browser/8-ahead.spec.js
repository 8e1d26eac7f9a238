import { expect, test } from '@playwright/test';
import { clockTo, expectAccessible, handsetOf, logIn, reloadUntil } from './world.js';

const TAMSIN = '+447700900322';

test('tomorrow’s text to one guest is made personal, moved, and seen on the handset', async ({ page }) => {
  clockTo('2026-04-10T10:00:00Z');
  await logIn(page);
  await page.goto('/records/booking/new');
  await page.getByLabel('Lesson').fill('Moonlight paddle');
  await page.getByLabel('Who').fill(TAMSIN);
  await page.getByLabel('State').selectOption('booked');
  await page.getByLabel('Starts').fill('2026-04-12T15:00');
  await page.keyboard.press('Enter');
  await expect(page.locator('#toast')).toContainText('It is kept.');

  await page.goto('/ahead?at=2026-04-11');
  const text = page.locator('.coming-text').filter({ hasText: 'your Moonlight paddle is tomorrow at 15:00' });
  await reloadUntil(page, () => text);
  await expect(text).toContainText('only if the date stays');
  await text.getByRole('link', { name: 'Make it personal' }).click();
  await expect(page.locator('.cm-content')).toBeFocused();
  await expectAccessible(page);
  await page.locator('.cm-content').fill('Good to have you back, {{ first_nam }}');
  await page.getByRole('button', { name: 'Keep these words' }).click();
  await expect(page.getByRole('alert')).toContainText('first nam');
  await page.locator('.cm-content').fill('Good to have you back. The tide is with us tomorrow.');
  await page.getByRole('button', { name: 'Keep these words' }).click();

  await page.goto('/ahead?at=2026-04-11');
  const own = page.locator('.coming-text').filter({ hasText: 'The tide is with us' });
  await expect(own).toContainText('made personal by Mira Okafor');
  await own.getByText('Move', { exact: true }).click();
  await own.getByLabel('To (London)').fill('2026-04-10T09:00');
  await own.getByRole('button', { name: 'Move it' }).click();
  await expect(page.getByRole('alert')).toContainText('That is past.');
  await page.getByLabel('To (London)').filter({ visible: true }).fill('2026-04-11T12:30');
  await page.getByRole('button', { name: 'Move it' }).filter({ visible: true }).click();
  await expect(page.locator('#toast')).toContainText('It is moved to Sat 11 April 12:30.');
  await expect(page.getByRole('link', { name: 'Saturday 11 April, 12:00 to 13:00: one text' })).toBeVisible();

  // On paper, the list alone.
  await page.goto('/ahead/2026-04-11');
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.rail')).toBeHidden();
  await expect(page.getByText('The tide is with us')).toBeVisible();
  await page.emulateMedia({ media: 'screen' });

  clockTo('2026-04-11T11:30:00Z');
  await expect(await handsetOf(page, TAMSIN)).toContainText('The tide is with us tomorrow.');
  await expect(page.locator('#texts')).not.toContainText('your Moonlight paddle is tomorrow');
});
