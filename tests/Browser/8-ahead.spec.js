import { expect, test } from '@playwright/test';
import { standins } from '../../playwright.config.js';
import { changeWords, clockTo, expectAccessible, handsetOf, logIn, reloadUntil } from './world.js';

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

  await page.clock.install();
  await page.goto('/ahead?at=2026-04-11');
  const text = page.locator('.coming-text').filter({ hasText: 'your Moonlight paddle is tomorrow at 15:00' });
  await reloadUntil(page, () => text);
  await expect(text).toContainText('only if the date stays');
  await text.getByRole('link', { name: 'Make it personal' }).click();
  await expect(page.locator('.cm-content')).toBeFocused();
  await expectAccessible(page);
  await page.locator('.cm-content').fill('Good to have you back, {{ first_nam }}');
  // The list asks for itself anew every ten seconds, and not while somebody writes in it.
  let asked = 0;
  page.on('request', (request) => (asked += /\/ahead/.test(request.url()) && request.resourceType() !== 'document'));
  await page.clock.runFor(31_000);
  expect(asked).toBe(0);
  // What it would say is gone with the field that is not there, and comes with one that is: the button stands where it is clicked.
  const says = page.locator('[id^=preview-] .says');
  const keep = page.getByRole('button', { name: 'Keep these words' });
  await expect(says).toHaveCount(0);
  const stood = await keep.boundingBox();
  await page.locator('.cm-content').fill('Good to have you back, {{ first_name }}');
  await expect(says).toHaveCount(1);
  expect(await keep.boundingBox()).toEqual(stood);
  await page.locator('.cm-content').fill('Good to have you back, {{ first_nam }}');
  await keep.click();
  await expect(page.getByRole('alert')).toContainText('first nam');
  await page.locator('.cm-content').fill('Good to have you back. The tide is with us tomorrow.');
  await page.getByRole('button', { name: 'Keep these words' }).click();

  await page.goto('/ahead?at=2026-04-11');
  const own = page.locator('.coming-text').filter({ hasText: 'The tide is with us' });
  await expect(own).toContainText('made personal by Mira Okafor');
  await page.clock.runFor(11_000);
  await expect.poll(() => asked).toBeGreaterThan(0);
  await own.getByText('Move', { exact: true }).click();
  await own.getByLabel('To (London)').fill('2026-04-10T09:00');
  // By keyboard: Enter moves it, and does nothing else that can be done to it.
  await own.getByLabel('To (London)').press('Enter');
  await expect(page.getByRole('alert')).toContainText('That is past.');
  await page.getByLabel('To (London)').filter({ visible: true }).fill('2026-04-11T12:30');
  await page.getByRole('button', { name: 'Move it' }).filter({ visible: true }).click();
  await expect(page.locator('#toast')).toContainText('It is moved to Sat 11 April 12:30.');
  await expect(page.getByRole('link', { name: '1 text, Saturday 11 April, 12:00 to 13:00' })).toBeVisible();

  // On paper, the list alone.
  await page.goto('/ahead/2026-04-11');
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.rail')).toBeHidden();
  await expect(page.getByText('The tide is with us')).toBeVisible();
  // And a week of bookings with all of its days, on a sheet of A4.
  await page.setViewportSize({ width: 794, height: 1123 });
  await page.goto('/records/booking/calendar?day=2026-04-11');
  const sunday = await page.locator('.week > section').last().boundingBox();
  expect(sunday.x + sunday.width).toBeLessThanOrEqual(794);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ media: 'screen' });

  clockTo('2026-04-11T11:30:00Z');
  await expect(await handsetOf(page, TAMSIN)).toContainText('The tide is with us tomorrow.');
  await expect(page.locator('#texts')).not.toContainText('your Moonlight paddle is tomorrow');
});

test('a changed rule is rehearsed over what happened, and compared with the one that is on', async ({ page }) => {
  await logIn(page);
  await page.goto('/rules');
  await page.getByRole('link', { name: 'Lesson booked', exact: true }).click();
  await changeWords(page);
  await page.locator('.cm-content').fill('You are booked, {{ first_name | or: "friend" }}. See you on the quay.');
  await page.getByRole('button', { name: 'Keep these words' }).click();
  await expect(page.getByText('Changes not published.')).toBeVisible();

  await page.getByRole('link', { name: 'Rehearse', exact: true }).click();
  await expect(page.getByText('Nothing of this rule was rehearsed yet.')).toBeVisible();
  await page.getByLabel('Over the last').fill('0');
  await page.getByRole('button', { name: 'Rehearse' }).click();
  await expect(page.getByRole('alert')).toContainText('a number of days');
  await page.getByLabel('Over the last').fill('60');
  await page.getByRole('button', { name: 'Rehearse' }).click();
  const told = page.locator('.lead').filter({ hasText: 'the changed rule would have reached' });
  await expect(told).toContainText('The rule that is on would have reached');
  await expectAccessible(page);
  await page.getByText('What it takes for given, and cannot know').click();
  await expect(page.getByText('cannot be known')).toBeVisible();

  await told.getByRole('link', { name: /text/ }).first().click();
  const changed = page.getByRole('row').filter({ hasText: 'See you on the quay.' });
  await expect(changed.first()).toContainText('would have left');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'As it is on' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('would have left');
  await expect(changed).toHaveCount(0);
  await page.getByRole('row').nth(1).getByRole('link').first().click();
  await expect(page.getByRole('region', { name: 'Time line, drawn' })).toBeVisible();
  await expectAccessible(page);
  await page.goBack();
  await page.getByRole('link', { name: /^Rehearsed over/ }).click();
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  await page.getByRole('button', { name: 'Take the changes back' }).click();
});

test('a text’s page is read from the list of what was sent', async ({ page }) => {
  await logIn(page);
  await page.goto('/sent?state=left');
  await page
    .locator('tbody tr')
    .first()
    .getByRole('link', { name: /arrived|handed|left/ })
    .click();
  await expect(page.getByRole('heading', { name: 'When what happened' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What the carrier was told' })).toBeVisible();
  await expect(page.locator('main')).toContainText('Authorization');
  await expect(page.locator('main')).toContainText('••••');
  await expectAccessible(page);
});

test('a batch is looked through, one is left out, and it is let go, held back, and let go', async ({ page }) => {
  const OWES = ['+447700900322', '+447700900323'];
  clockTo('2026-04-11T11:40:00Z');
  await logIn(page);
  for (const [i, number] of OWES.entries()) {
    await page.goto('/records/invoice/new');
    await page.getByLabel('Number', { exact: true }).fill(`B-${i + 1}`);
    await page.getByLabel('Who').fill(number);
    await page.getByLabel('State').selectOption('sent');
    await page.getByLabel('Due').fill('2026-04-06');
    await page.keyboard.press('Enter');
    await expect(page.locator('#toast')).toContainText('It is kept.');
  }
  await page.goto('/rules');
  await page.getByRole('link', { name: 'Invoice overdue' }).click();
  const rule = page.url();
  await page.getByRole('button', { name: 'Switch on' }).click();
  await expect(page.getByRole('button', { name: 'Switch off' })).toBeVisible();

  clockTo('2026-04-13T08:31:00Z');
  await page.goto(`${rule}/batch`);
  const texts = page.locator('.coming-text');
  await reloadUntil(page, () => texts.nth(1));
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Two texts wait to be let go');
  await texts.filter({ hasText: 'Invoice B-1' }).getByRole('button', { name: 'Skip' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('One text waits to be let go');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Let it go' }).click();
  await page.getByRole('button', { name: 'Hold it back' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('One text waits to be let go');

  await page.getByRole('button', { name: 'Let it go' }).click();
  await expect(page.getByRole('button', { name: 'Hold it back' })).toBeVisible();
  clockTo('2026-04-13T08:32:30Z');
  await expect(await handsetOf(page, OWES[1])).toContainText('Invoice B-2 was due');
  await page.goto(`${standins}/handsets/${OWES[0]}`);
  await expect(page.locator('#texts')).not.toContainText('Invoice B-1');

  // Why the other got nothing is said where one asks.
  await page.goto('/people?find=900322');
  await page.locator('tbody a').first().click();
  await page.getByLabel('The rule asked about').selectOption({ label: 'Invoice overdue' });
  await page.getByRole('button', { name: 'Why not?' }).click();
  await expect(page.getByRole('heading', { name: 'What was decided about them' })).toBeVisible();
  await expect(page.locator('main')).toContainText('Mira Okafor');
  await expectAccessible(page);
});
