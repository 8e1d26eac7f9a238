import { expect, test } from '@playwright/test';
import { clockTo, expectAccessible, handsetOf, logIn, openPerson, reloadUntil, writeFrom } from './world.js';

const IDA = '+447700900350';

test('a form that anybody sends in asks back by text, and only a yes counts', async ({ page }) => {
  clockTo('2026-03-15T10:00:00Z');
  await page.goto('/f/hire');
  await page.getByLabel('Your first name').fill('Ida');
  await page.getByLabel('Your mobile number').fill('12');
  await page.getByLabel(/Send me news of the quay/).check();
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByText('is too short or too long for a telephone number')).toBeVisible();
  await expect(page.getByLabel('Your first name')).toHaveValue('Ida');
  await page.getByLabel('Your mobile number').fill('07700 900350');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByRole('status')).toContainText('answer YES to it');

  await expect(await handsetOf(page, IDA)).toContainText('you asked for our news by text');
  await logIn(page);
  await openPerson(page, 'Lindqvist', 'Ida Lindqvist');
  await expect(page.getByText('Yes to offers', { exact: true })).toHaveCount(0);
  await writeFrom(page, IDA, 'Yes');
  await expect(await handsetOf(page, IDA)).toContainText('you are on the list');
  await openPerson(page, 'Lindqvist', 'Ida Lindqvist');
  await expect(page.getByText('Yes to offers', { exact: true })).toBeVisible();
});

test('somebody is tagged, a rule is started for them by hand, and they are erased', async ({ page }) => {
  await logIn(page);
  await page.goto('/people?find=Lindqvist');
  await page.getByRole('link', { name: 'Ida Lindqvist' }).click();
  await page.getByLabel('Its name').fill('likes canoes');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('button', { name: /likes canoes/ })).toBeVisible();
  await page.getByRole('button', { name: /likes canoes/ }).click();
  await expect(page.locator('#toast')).toContainText('is taken away');

  // A rule that is off is not offered; switched on, it is.
  await expect(page.getByLabel('Which rule').getByRole('option', { name: 'What do they paddle' })).toHaveCount(0);
  const here = page.url();
  await page.goto('/rules?find=paddle');
  await page.getByRole('link', { name: 'What do they paddle' }).click();
  await page.getByRole('button', { name: 'Switch on' }).click();
  await page.goto(here);
  await page.getByLabel('Which rule').selectOption({ label: 'What do they paddle' });
  await page.getByRole('button', { name: 'Start it' }).click();
  await expect(page.locator('#toast')).toContainText('It starts in a moment');
  await reloadUntil(page, () => page.getByRole('link', { name: 'What do they paddle' }).first());

  await page.getByText('Erase Ida…').click();
  await page.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.locator('#toast')).toContainText('Ida Lindqvist is erased');
  await page.goto('/people?find=Lindqvist');
  await expect(page.getByRole('link', { name: 'Ida Lindqvist' })).toHaveCount(0);
});

test('a line is slowed down and a limit is set, with mistakes at their field', async ({ page }) => {
  await logIn(page);
  await page.goto('/lines');
  await page.getByRole('link', { name: 'workshop' }).click();
  await expect(page.locator('.week-hours')).toBeHidden();
  await page.getByLabel('It sends only at certain hours').check();
  await expect(page.locator('.week-hours')).toBeVisible();
  await page.getByLabel('It sends only at certain hours').uncheck();
  await page.getByLabel('In a minute').fill('3');
  await page.getByLabel('Countries it sends to').fill('GB, Wales');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('“WALES” is no country.')).toBeVisible();
  await expect(page.getByLabel('In a minute')).toHaveValue('3');
  await page.getByLabel('Countries it sends to').fill('GB, IE');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.locator('#toast')).toContainText('What it holds is looked at again now.');
  await page.goto('/lines');
  await expect(page.getByRole('row', { name: /workshop/ })).toContainText('3 a minute');

  await page.goto('/safeguards');
  const limits = page.getByRole('form', { name: 'Limits' });
  await limits.getByLabel('At most in 24 hours').fill('0');
  await limits.getByRole('button', { name: 'Keep these limits' }).click();
  await expect(limits).toContainText('A whole number from 1');
  await limits.getByLabel('At most in 24 hours').fill('9');
  await limits.getByRole('button', { name: 'Keep these limits' }).click();
  await expect(page.locator('#toast')).toContainText('The limits are changed.');
});

test('two entries of one person are put together and split again', async ({ page }) => {
  await logIn(page);
  await page.goto('/people/new');
  await page.getByLabel('First name').fill('Ana');
  await page.getByLabel('Last name').fill('Silva');
  await page.getByLabel('Number', { exact: true }).fill('+14165550187');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('heading', { name: 'Ana Silva' })).toBeVisible();
  const twice = page.url();
  await page.getByText('Add a number').click();
  await page.getByLabel('Number', { exact: true }).fill('+1 416 555 0142');
  await page.getByRole('button', { name: 'Add', exact: true }).first().click();
  await expect(page.getByRole('alert')).toContainText('Ana Silva has this number');
  await expectAccessible(page);

  await page.getByRole('link', { name: 'Is Ana here twice?' }).click();
  await expect(page.locator('tbody tr').first()).toContainText('the same name');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Look at both' }).first().click();
  await page.getByRole('link', { name: 'Keep Ana Silva instead' }).click();
  await expect(page.getByRole('heading', { name: 'What it comes to' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Put them together' }).click();
  await expect(page.locator('main .facts')).toContainText('+1 416-555-0187');
  await expect(page.locator('main .facts')).toContainText('+1 416-555-0142');
  await expectAccessible(page);
  const kept = page.url();
  await page.goto(twice);
  await expect(page).toHaveURL(kept);
  await page.getByRole('button', { name: 'Split them again' }).click();
  await expect(page.locator('main .facts')).not.toContainText('+1 416-555-0187');
  await page.goto(twice);
  await expect(page.locator('main .facts')).toContainText('+1 416-555-0187');
});

test('a booking is changed where it stands in the list, and a mistake keeps what was typed', async ({ page }) => {
  await logIn(page);
  await page.goto('/records/booking');
  await page
    .locator('tbody tr')
    .nth(1)
    .getByRole('link', { name: /^Change/ })
    .click();
  const row = page.getByRole('form', { name: /^Change / });
  await row.getByLabel('Places').fill('many');
  await row.getByRole('button', { name: 'Keep' }).click();
  await expect(row.getByRole('alert')).toHaveText('At “Places” stands “many”, which is no number.');
  await expect(row.getByLabel('Places')).toHaveValue('many');
  await row.getByLabel('Places').fill('7');
  await row.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('The change is kept.')).toBeVisible();
  await expect(page.locator('tbody tr').nth(1).getByRole('cell', { name: '7', exact: true })).toBeVisible();
});
