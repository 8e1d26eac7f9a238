import { expect, test } from '@playwright/test';
import { standins } from '../../playwright.config.js';
import { clockTo, expectAccessible, logIn, reloadUntil, writeFrom } from './world.js';

const PRIYA = '+447700900308';

test('the longest-waiting conversation is answered and handed to a colleague, who is told by mail; two in one thread see each other', async ({
  page,
  browser,
}) => {
  clockTo('2026-04-20T09:00:00Z');
  await logIn(page);
  await writeFrom(page, PRIYA, 'Is the moonlight paddle on?', 'the front desk');
  await page.goto('/conversations');
  const first = page.locator('.talk-list .who').first();
  await expect(first).toHaveAttribute('aria-current', 'true');
  const thread = page.locator('.talk-thread');
  const called = await thread.locator('.head h2').innerText();

  await page.getByText('Hand over', { exact: true }).first().click();
  const hand = page.locator('form.change').filter({ hasText: 'With a word about it' });
  await expectAccessible(page);
  await hand.getByLabel('To').selectOption({ label: 'Nia Sorrell' });
  await hand.getByLabel('With a word about it').fill('Ask how many they are. @Tom has the list.');
  await hand.getByRole('button', { name: 'Hand over' }).click();
  await expect(page.locator('#toast')).toContainText('Tom Reyes and Nia Sorrell see it on the screen and have a mail.');
  const address = page.url();
  const number = (await page.locator('dl.facts dd').first().innerText()).replace(/\s/g, '');
  // What opens from a button is whole on a telephone too.
  await page.setViewportSize({ width: 390, height: 800 });
  await page.getByText('Hand over', { exact: true }).first().click();
  expect((await hand.boundingBox()).x).toBeGreaterThan(0);
  await page.setViewportSize({ width: 1280, height: 800 });

  const other = await browser.newContext();
  const nia = await other.newPage();
  await nia.goto(`${standins}/mailbox?find=nia`);
  await reloadUntil(nia, () => nia.getByText(`handed you the conversation with ${called}`));
  await expectAccessible(nia);
  await nia.goto(`${standins}/mailbox?find=tom`);
  await expect(nia.getByText(`wrote to you about ${called}`)).toBeVisible();

  await logIn(nia, 'nia');
  await nia.goto(address);
  await expect(nia.locator('.note')).toContainText('Ask how many they are.');
  await nia.getByPlaceholder(/^Write to/).pressSequentially('It is. How many are you?');
  await expect(page.locator('#writing')).toHaveText('Nia Sorrell is writing here too.');
  await nia.getByRole('button', { name: 'Send', exact: true }).click();
  // Without a reload, on the other's screen too.
  await expect(page.locator('#thread')).toContainText('It is. How many are you?');

  // Told by mail that they wrote, one answers the mail, and they have it as a text.
  await writeFrom(page, number, 'Two of us.', 'the front desk');
  await nia.goto(`${standins}/mailbox?find=nia`);
  const mail = nia.locator('article', { hasText: 'Two of us.' });
  await reloadUntil(nia, () => mail);
  await mail.getByLabel('Answer to replies…').fill('Then come at eight.');
  await mail.getByRole('button', { name: 'Send the answer' }).click();
  await page.goto(address);
  await expect(page.locator('#thread')).toContainText('Then come at eight.');

  await nia.goto('/conversations?show=mine');
  await expect(nia.locator('.talk-list')).toContainText(called);
  await nia.goto('/conversations?find=how+many+you');
  await nia
    .locator('.who')
    .filter({ has: nia.locator('mark') })
    .first()
    .click();
  await expect(nia.locator('.sought')).toBeInViewport();
  await expectAccessible(nia);
  await other.close();
});
