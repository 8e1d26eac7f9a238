import { expect, test } from '@playwright/test';
import { PNG } from 'pngjs';
import { clockTo, expectAccessible, handsetOf, logIn } from './world.js';

const ANA = '+14165550142';

test('a text at 12:00 in Toronto is written from the boathouse, moved, and seen to arrive', async ({ page }) => {
  clockTo('2026-04-13T09:00:00Z');
  await logIn(page);
  await page.goto('/people?find=416%20555%200142');
  await page.locator('tbody a').first().click();
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  await expect(page.getByLabel('From')).toHaveValue(/\d+/);
  await page.getByPlaceholder('Write to Ana').fill('Your oars are mended. Come by when it suits you.');
  await expect(page.locator('#measure')).toContainText('1 part');
  await page.getByText('At a moment…').click();
  await page.getByLabel('In Ana’s day (Toronto)').fill('2026-04-13T04:00');
  await page.getByRole('button', { name: 'Send it then' }).click();
  await expect(page.getByRole('alert')).toContainText('That is past. It is Mon 13 April 05:00 in Toronto now.');
  await expect(page.getByPlaceholder('Write to Ana')).toHaveValue(/Your oars are mended/);
  await page.getByLabel('In Ana’s day (Toronto)').fill('2026-04-13T12:00');
  await expect(page.locator('.moment')).toHaveText('12:00 in Toronto is Mon 13 April 17:00 here.');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Send it then' }).click();
  await expect(page.locator('#toast')).toContainText('It leaves on Mon 13 April 12:00 for Ana.');
  await expect(page.locator('.coming-text').filter({ hasText: 'Your oars are mended' })).toBeVisible();

  await page.goto('/ahead?at=2026-04-13T17');
  const text = page.locator('.coming-text').filter({ hasText: 'Your oars are mended' });
  await expect(text).toContainText('written by Mira Okafor');
  await text.getByText('Move', { exact: true }).click();
  await expectAccessible(page);
  await text.getByLabel('To (Toronto)').fill('2026-04-13T13:30');
  await text.getByLabel('To (Toronto)').press('Enter');
  await expect(page.locator('#toast')).toContainText('13:30 in Toronto is Mon 13 April 18:30 here.');

  clockTo('2026-04-13T17:29:00Z');
  await expect(await handsetOf(page, ANA)).not.toContainText('Your oars are mended');
  clockTo('2026-04-13T17:30:00Z');
  await expect(page.locator('#texts')).toContainText('Your oars are mended. Come by when it suits you.');
});

test('a task of the list is changed in its row, all of it in sight', async ({ page }) => {
  await logIn(page);
  await page.goto('/tasks?whose=all');
  const add = page.getByRole('form', { name: 'Add a task' });
  await add.getByLabel('What is to be done').fill('Ring about the oars');
  await add.getByRole('button', { name: 'Add it' }).click();
  const row = page.locator('tbody tr').filter({ hasText: 'Ring about the oars' });
  await row.getByText('Change', { exact: true }).click();
  await row.getByLabel('Whose').selectOption({ label: 'Nia Sorrell' });
  await expectAccessible(page);
  await row.getByRole('button', { name: 'Keep' }).click();
  await expect(row).toContainText('Nia Sorrell');
});

test('a kept text is found by typing and filled in for whom it is for', async ({ page }) => {
  await logIn(page);
  await page.goto('/people?find=416%20555%200142');
  await page.locator('tbody a').first().click();
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  await page.getByPlaceholder('Write to Ana').fill('Good morning.');
  await page.getByText('Kept texts…').click();
  await expect(page.locator('.kept')).toHaveCount(3);
  await page.getByLabel('Find a kept text').fill('towel');
  await expect(page.locator('.kept')).toHaveCount(1);
  await expectAccessible(page);
  await page.locator('.kept').click();
  await expect(page.getByPlaceholder('Write to Ana')).toHaveValue(/^Good morning\. Hello Ana, bring a towel/);
  await expect(page.locator('#measure')).toContainText('1 part');

  // One that is kept says what is filled in as one reads it.
  await page.goto('/kept-texts');
  await page.getByLabel('Name', { exact: true }).last().fill('Thanks');
  const words = page.locator('#kept-new');
  await words.pressSequentially('Thank you, {');
  await page.getByRole('option', { name: /^first name/ }).click();
  await expect(page.locator('.cm-content .token')).toHaveText('first name');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('tr', { hasText: 'Thanks' }).locator('.merge')).toHaveText('first name');
});

test('an emoji, a value and a picture are put into a text, and seen on the handset', async ({ page }) => {
  clockTo('2026-04-13T18:00:00Z');
  await logIn(page);
  await page.goto('/people?find=416%20555%200142');
  await page.locator('tbody a').first().click();
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  const box = page.getByPlaceholder('Write to Ana');
  const typed = page.locator('.cm-content');
  // What is pasted with its braces stands as a token too.
  await box.fill('Well rowed, {{ first_name }}');
  await expect(typed.locator('.token')).toHaveText('first name');
  await page.reload();
  await box.fill('Well rowed, ');
  await page.getByRole('button', { name: /Fill in/ }).click();
  await page.getByRole('option', { name: /^first name/ }).click();
  await expect(typed.locator('.token')).toHaveText('first name');
  await expect(page.locator('#measure')).toContainText('To Ana: Well rowed, Ana');
  await typed.locator('.token').click();
  await page.getByLabel('Letters').selectOption('CAPITALS');
  await expect(page.locator('#measure')).toContainText('To Ana: Well rowed, ANA');
  await page.getByLabel('Letters').selectOption('as they are');
  await expect(page.locator('#measure')).toContainText('To Ana: Well rowed, Ana');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByText('Emoji…').click();
  await page.getByLabel('Find an emoji by its name').fill('rowing');
  await page
    .getByRole('button', { name: /rowing boat/ })
    .first()
    .click();
  await expect(page.locator('#measure')).toContainText('To Ana: Well rowed, Ana🚣');
  await expect(page.locator('#measure')).toContainText('costs extra room');
  await page.getByText('Picture…').click();
  await page.getByLabel(/JPEG, PNG or GIF/).setInputFiles({ name: 'quay.png', mimeType: 'image/png', buffer: quay() });
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.locator('#thread img.picture')).toBeVisible();
  await expectAccessible(page);
  const handset = await handsetOf(page, ANA);
  await expect(handset).toContainText('Well rowed, Ana🚣');
  const picture = handset.locator('img').last();
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((image) => image.naturalWidth)).toBe(12);
});

/** A picture of the quay, as a camera might have drawn it: twelve by eight. */
function quay() {
  const picture = new PNG({ width: 12, height: 8 });
  picture.data.fill(180);
  return PNG.sync.write(picture);
}
