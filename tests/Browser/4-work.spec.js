import { expect, test } from '@playwright/test';
import {
  changeWords,
  clockTo,
  expectAccessible,
  handsetOf,
  logIn,
  openPerson,
  reloadUntil,
  ring,
  writeFrom,
} from './world.js';

const RHODA = '+447700900938';
const NOBODY = '+447700900911';

test('a text with a missing name is set aside, and says so until somebody decides', async ({ page }) => {
  clockTo('2026-03-10T10:00:00Z');
  await logIn(page);
  await page.goto('/rules/2');
  await changeWords(page);
  await page.locator('.cm-content').fill('Hello {{ first_name }}, which boat is it about?');
  await page.getByRole('button', { name: 'Keep these words' }).click();
  await page.getByText('Publish changes…').click();
  await page.getByRole('button', { name: 'Publish version 2' }).click();

  await ring(page, NOBODY, 'the workshop');
  await ring(page, RHODA, 'the workshop');
  await expect(await handsetOf(page, RHODA)).toContainText('Hello Rhoda, which boat is it about?');
  await page.goto('/today');
  const need = page.locator('.need').filter({ hasText: 'was set aside' });
  await expect(need).toContainText('There is no value for “first name”, and the text gives nothing to say instead.');
  await need.getByRole('button', { name: 'Try again' }).click();
  await expect(page.locator('#toast')).toContainText('It still cannot go.');
  await need.getByRole('link', { name: 'Fill in' }).click();
  await page.getByRole('button', { name: 'Skip' }).click();
  await expect(page.getByText('Not sent: Mira Okafor decided so.').first()).toBeVisible();
  await expect(await handsetOf(page, NOBODY)).toContainText('No texts yet');
});

test('a conversation waits until somebody answers it or says it is done', async ({ page }) => {
  clockTo('2026-03-11T10:00:00Z');
  await writeFrom(page, RHODA, 'Thank you, all is well.');
  clockTo('2026-03-11T12:00:00Z');
  await logIn(page, 'nia');
  await expect(page).toHaveURL(/conversations/);
  await page.goto('/conversations?show=waiting');
  await reloadUntil(page, () => page.getByRole('link', { name: /Rhoda\s+2 h/ }));
  await page.getByRole('link', { name: /Rhoda/ }).click();
  // However little of it there is room for, the newest is seen first.
  await page.setViewportSize({ width: 1280, height: 300 });
  await page.reload();
  await expect(page.locator('#thread .entry').last()).toBeInViewport({ ratio: 0.9 });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('button', { name: 'Done' }).click();
  await page.goto('/conversations?show=waiting');
  await expect(page.getByRole('link', { name: /Rhoda/ })).toHaveCount(0);
  await page.goto('/today');
  await expect(page.getByRole('heading', { name: 'Not for your role' })).toBeVisible();
});

test('decent hours are changed, and a mistake stands at its day', async ({ page }) => {
  await logIn(page);
  await page.goto('/safeguards');
  const opening = page.getByRole('form', { name: 'When we are open' });
  await opening.getByText('Type them instead').click();
  await opening.getByLabel('Sunday, to').fill('');
  await opening.getByRole('button', { name: 'Keep these hours' }).click();
  await expect(opening.getByRole('alert')).toContainText('Two times are expected here');
  await opening.getByLabel('Sunday, from').fill('');
  await opening.getByRole('button', { name: 'Keep these hours' }).click();
  await expect(page.locator('#toast')).toContainText('The hours are changed.');
  await expect(opening.getByLabel('Sunday, from')).toHaveValue('');

  // Drawn: an end is moved by the keys, and a day is closed by a calendar.
  await expect(opening.getByText(/Sunday closed\./)).toBeVisible();
  const monday = opening.getByRole('slider', { name: 'Monday ends' });
  await monday.focus();
  await monday.press('ArrowRight');
  const until = await opening.getByLabel('Monday, to').inputValue();
  await expect(monday).toHaveAttribute('aria-valuetext', until);
  const tuesday = opening.getByRole('slider', { name: 'Tuesday begins' });
  const began = await opening.getByLabel('Tuesday, from').inputValue();
  const end = await tuesday.boundingBox();
  await page.mouse.move(end.x + 12, end.y + 12);
  await page.mouse.down();
  await page.mouse.move(end.x - 40, end.y + 12);
  await page.mouse.up();
  expect((await opening.getByLabel('Tuesday, from').inputValue()) < began).toBe(true);
  await opening.getByLabel('A day closed').fill('2026-12-24');
  await opening.getByRole('button', { name: 'Close it' }).click();
  await expect(opening.getByRole('button', { name: 'Closed on 24 Dec 2026: open it again' })).toBeVisible();
  await expectAccessible(page);
  await opening.getByRole('button', { name: 'Keep these hours' }).click();
  await expect(opening.locator('.day-hours').first()).toContainText(`to ${until}`);
  await expect(opening.getByRole('button', { name: 'Closed on 24 Dec 2026: open it again' })).toBeVisible();

  // Holidays are picked the same way.
  const holidays = page.getByRole('form', { name: 'Holidays' });
  await holidays.getByLabel('A holiday').fill('2026-06-19');
  await holidays.getByRole('button', { name: 'Add it' }).click();
  await holidays.getByRole('button', { name: 'Holiday on 25 Dec 2026: take it out' }).click();
  await holidays.getByRole('button', { name: 'Keep these days' }).click();
  await expect(holidays.getByRole('button', { name: 'Holiday on 19 Jun 2026: take it out' })).toBeVisible();
  await expect(holidays.getByRole('button', { name: /25 Dec 2026/ })).toHaveCount(0);
});

test('the clock goes to the next thing that happens', async ({ page }) => {
  clockTo('2026-03-12T10:00:00Z');
  await logIn(page);
  await ring(page, '+447700900343');
  await openPerson(page, 'haddad', 'Noor Haddad');
  await reloadUntil(page, () => page.getByText('next look Thu 12 Mar 10:02'));
  await page.goto('/today');
  await expect(page.locator('#clock-shows')).toHaveText('Thu 12 March 10:00');
  await expect(async () => {
    await page.getByRole('button', { name: 'Next' }).click();
    expect((await page.locator('#clock-shows').innerText()) >= 'Thu 12 March 10:02').toBe(true);
  }).toPass();
  await expect(await handsetOf(page, '+447700900343')).toContainText('Hello Noor');
});
