import { expect, test } from '@playwright/test';
import { standins } from '../../playwright.config.js';
import { dirty } from './dirt.js';
import { clockTo, expectAccessible, logIn, reloadUntil } from './world.js';

const NOOR = '+447700900343';

test('a feed never seen before is connected by clicking', async ({ page, request }) => {
  clockTo('2026-03-13T10:00:00Z');
  await logIn(page);

  await page.goto('/sources');
  const form = page.getByRole('form', { name: 'Connect a system that posts' });
  await form.getByLabel('What you call it').fill('Rental desk');
  await form.getByLabel('What it sends').selectOption('Job');
  await form.getByRole('button', { name: 'Make its address' }).click();
  const secret = await page.locator('#secret').innerText();
  const post = (body) =>
    request.post('/in/rental-desk', { headers: { Authorization: `Bearer ${secret}` }, data: body });

  const sent = {
    ticket: { no: 'T-77', state: 'IN_WORK' },
    boat: 'Sea kayak 12',
    due: '20/03/2026',
    owner: { tel: '(0)7700 900 343', name: 'Haddad, Noor' },
    parts: [
      { what: 'skeg', pence: 1250 },
      { what: 'cable', pence: 399 },
    ],
  };
  expect((await post(sent)).status()).toBe(202);
  await page.getByRole('link', { name: 'Say what they mean' }).click();

  const put = async (value, field) => {
    await page.locator('.leaf').filter({ hasText: value }).getByRole('radio').check();
    await page.locator(`[name=into][value="${field}"]`).click();
    await expect(page.locator(`.slot.filled [name=into][value="${field}"]`)).toBeVisible();
  };
  await put('T-77', 'external_id');
  await put('Sea kayak 12', 'fields.boat');
  await put('20/03/2026', 'fields.promised');
  await put('IN_WORK', 'fields.stage');
  await put('1250, 399', 'fields.cost');
  await put('(0)7700 900 343', 'person.number');
  await expect(page.locator('#slot-fields-promised')).toContainText('Fri 20 Mar 2026');
  await expect(page.locator('#slot-person-number')).toContainText('+447700900343');
  await expect(page.locator('#slot-fields-stage')).toContainText('stands “IN_WORK”, and Stage is one of');
  await expect(page.getByRole('status')).toContainText('this one would not be taken');

  const stage = page.locator('#slot-fields-stage');
  await stage.getByText('change', { exact: true }).click();
  await stage.getByLabel('A line each: theirs = ours').fill('IN_WORK = being mended\nDONE = ready');
  await stage.getByRole('button', { name: 'Add the step' }).click();
  await expect(stage.locator('.slot-result')).toContainText('being mended');
  const cost = page.locator('#slot-fields-cost');
  await cost.getByText('change', { exact: true }).click();
  await cost.getByLabel('Add a step').selectOption('a number written…');
  await cost.getByLabel('Divided by').fill('100');
  await cost.getByRole('button', { name: 'Add the step' }).click();
  await expect(cost.locator('.slot-result')).toContainText('£16.49');
  await expect(page.getByRole('status')).toContainText('this one would be taken');
  await expectAccessible(page);

  await page.getByRole('button', { name: 'Read it so from now on' }).click();
  await page.getByRole('button', { name: 'Take the one that waits' }).click();
  await reloadUntil(page, () => page.getByRole('link', { name: 'Sea kayak 12', exact: true }));
  expect((await post({ ...sent, ticket: { no: 'T-77', state: 'DONE' } })).status()).toBe(200);
  await page.goto('/records/job?find=Sea kayak 12');
  await page.getByRole('link', { name: 'Sea kayak 12', exact: true }).click();
  await expect(page.getByText('Stage from “being mended” to “ready”, from Rental desk.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Noor Haddad' }).first()).toBeVisible();
  await expectAccessible(page);

  await page.goto('/sources/rental-desk');
  await page.locator('tbody tr').first().getByRole('link').first().click();
  await expect(page.getByText('Nothing would change: all of it is known.')).toBeVisible();
});

test('a spreadsheet full of dirt is taken in, its refused rows mended and sent in again', async ({ page }) => {
  await logIn(page);
  await page.goto('/imports');
  const take = page.getByRole('form', { name: 'Take in a file' });
  await take.getByRole('button', { name: 'Look at it' }).click();
  await expect(take.getByRole('alert')).toContainText('Choose a file first.');
  await page.locator('[name=file]').setInputFiles({ name: 'company days.csv', mimeType: 'text/csv', buffer: dirty });
  await take.getByLabel('What its rows are').selectOption('Deals');
  await take.getByRole('button', { name: 'Look at it' }).click();

  const preview = page.locator('section[aria-labelledby=preview] tbody tr');
  await expect(preview.nth(0)).toContainText('£1,200.50');
  await expect(preview.nth(0)).toContainText('Tue 31 Mar 2026');
  await expect(preview.nth(3)).toContainText('a spreadsheet program has rounded the number');
  await expect(preview.nth(5)).toContainText('“bought”, and Stage is one of');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take in 13 rows' }).click();
  await expect(page.getByText('13 of 13 rows')).toBeVisible();
  await expect(page.locator('#progress')).toContainText(/Added\s*6/);
  await expect(page.locator('#progress')).toContainText(/Refused\s*6/);
  const refused = page.locator('table tbody');
  for (const why of [
    '“bought”, and Stage is one of',
    '“lots”, which is no number',
    '“31/02/2026”, which is not written like',
    '“Tomas” (Owner) is nobody who logs in here',
    'The row has 14 cells, and there are 12 columns',
    'does not say which event it is about',
  ]) {
    await expect(refused).toContainText(why);
  }

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Get them as a file' }).click();
  const chunks = [];
  for await (const chunk of await (await download).createReadStream()) chunks.push(chunk);
  const mended = Buffer.concat(chunks)
    .toString('utf8')
    .replace(',bought,', ',agreed,')
    .replace(',lots,', ',"350,00",')
    .replaceAll('31/02/2026', '28/02/2026')
    .replace(',Tomas,', ',Tom,');
  await page
    .getByRole('form', { name: 'Send the mended rows in' })
    .locator('[name=file]')
    .setInputFiles({ name: 'mended.csv', mimeType: 'text/csv', buffer: Buffer.from(mended) });
  await page.getByRole('button', { name: 'Send it in' }).click();
  await page.getByRole('button', { name: /Take in 6 rows/ }).click();
  await expect(page.locator('#progress')).toContainText(/Added\s*4/);
  await page.goto('/records/deal?find=osgood');
  await expect(page.getByText('1 deal', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Ann Osgood' }).click();
  await expect(page.getByText('Yes, text me offers (from the file “company days.csv”)')).toBeVisible();

  await page.goto('/imports');
  await page.getByRole('link', { name: 'mended.csv' }).click();
  await page.getByText('Take it back…').click();
  await page.getByRole('button', { name: 'Take the file back' }).click();
  await expect(page.locator('#progress')).toContainText('Everything is as it was before the file came.');
  await page.goto('/records/deal?find=park');
  await expect(page.getByText('No deals here')).toBeVisible();
});

test('a basket left in the shop and a lesson moved stand in Records a moment later', async ({ page }) => {
  clockTo('2026-03-14T09:00:00Z');
  await page.goto(`${standins}/shop/${NOOR}`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The gear shop, for Noor Haddad');
  await page.getByRole('button', { name: 'Put in: Tow line' }).click();
  await page.getByRole('button', { name: 'Put in: Tow line' }).click();
  await page.getByLabel('How Linnet is told').selectOption('twice');
  await page.getByRole('button', { name: 'Leave the shop' }).click();
  await page.goto(`${standins}/booking/${NOOR}`);
  await page.getByRole('button', { name: 'Book it' }).click();
  const lesson = page.getByRole('form', { name: 'Beginners’ kayak lesson' });
  await lesson.getByLabel('Another time').selectOption('Wed 18 Mar, 14:00');
  await lesson.getByRole('button', { name: 'Move it' }).click();

  await logIn(page);
  await page.goto('/records/basket?find=tow');
  const basket = page.getByRole('row').filter({ hasText: 'Tow line' });
  await reloadUntil(page, () => basket.getByText('left'));
  await expect(basket).toContainText('£92');
  await page.goto('/sources/shop?state=repeated');
  await reloadUntil(page, () => page.getByText('Exactly this had come before').first());
  await page.goto('/records/booking?find=haddad&order=-id');
  await page.getByRole('link', { name: 'Beginners’ kayak lesson' }).first().click();
  await reloadUntil(page, () => page.getByText('to “Wed 18 Mar 2026, 14:00”').first());
  await expect(page.locator('dl').first()).toContainText('Tom Reyes');
});

test('news that comes after newer news changes nothing', async ({ page }) => {
  await page.goto(`${standins}/shop/+447700900350`);
  await page.getByLabel('How Linnet is told').selectOption('after the next one');
  await page.getByRole('button', { name: 'Put in: Bilge pump' }).click();
  await page.getByLabel('How Linnet is told').selectOption('as usual');
  await page.getByRole('button', { name: 'Leave the shop' }).click();
  await logIn(page);
  await page.goto('/sources/shop?state=late');
  await reloadUntil(page, () => page.getByText('It is older than what is known').first());
  await page.goto('/records/basket?find=lindqvist');
  await expect(page.getByRole('row').filter({ hasText: 'Bilge pump' })).toContainText('left');
});

test('a deal is dragged to its next stage, and is moved by keyboard too', async ({ page }) => {
  await logIn(page);
  await page.goto('/records/deal/board');
  const column = (name) => page.getByRole('region', { name, exact: true });
  const card = column('asked').locator('.board-card').first();
  const title = await card.getByRole('link').innerText();
  const from = await card.boundingBox();
  const to = await column('talked').locator('.board-cards').boundingBox();
  await page.mouse.move(from.x + 30, from.y + from.height - 12);
  await page.mouse.down();
  await page.mouse.move(from.x + 80, from.y + 60, { steps: 5 });
  await page.mouse.move(to.x + 60, to.y + 50, { steps: 12 });
  // The card moves at once; that it has moved is said afterwards.
  const kept = page.waitForResponse((answer) => answer.request().method() !== 'GET');
  await page.mouse.up();
  await kept;
  await expect(column('talked').getByRole('link', { name: title })).toBeVisible();
  await page.reload();
  await column('talked').getByRole('link', { name: title }).click();
  await expect(page.getByText('Stage from “asked” to “talked”, by Mira Okafor.')).toBeVisible();

  await page.goBack();
  const there = column('talked').locator('.board-card').filter({ hasText: title }).first();
  await there.getByRole('combobox').focus();
  await there.getByRole('combobox').selectOption('offered');
  await there.getByRole('button', { name: 'Move' }).press('Enter');
  await expect(column('offered').getByRole('link', { name: title })).toBeVisible();
  await expectAccessible(page);
});

test('records are filtered, kept as a list, changed together, and made by hand with errors at their fields', async ({
  page,
}) => {
  await logIn(page);
  await page.goto('/records/invoice');
  await page.getByLabel('Only where').selectOption('State');
  await page.getByLabel('Test').selectOption('is');
  await page.getByPlaceholder('value').fill('reminded');
  await page.getByRole('button', { name: 'Show' }).click();
  await expect(page.locator('.chip')).toContainText('State is “reminded”');
  const many = await page.locator('tbody tr').count();
  expect(many).toBeGreaterThan(2);
  await page.getByText('Keep this list').click();
  await page.getByLabel('Under the name').fill('Reminded once');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Reminded once' })).toBeVisible();

  await page.getByLabel('Tick all on this page').check();
  await page.locator('[name=field][form=bulk]').selectOption('State');
  await page.locator('[name=value][form=bulk]').fill('payed');
  await page.getByRole('button', { name: 'Change them' }).click();
  await expect(page.getByRole('alert')).toContainText('State is one of: sent, reminded, paid, written off');
  await page.getByLabel('Tick all on this page').check();
  await page.locator('[name=field][form=bulk]').selectOption('State');
  await page.locator('[name=value][form=bulk]').fill('written off');
  await page.getByRole('button', { name: 'Change them' }).click();
  await expect(page.locator('#toast')).toContainText(`${many} are changed.`);
  await expect(page.getByText('No invoices here that are so')).toBeVisible();

  await page.getByRole('link', { name: 'Add an invoice' }).click();
  await page.getByLabel('Number').fill('2026-0900');
  await page.getByLabel('Who').fill('Nobody at all');
  await page.getByLabel('Amount (GBP)').fill('twelve');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alert')).toContainText('“twelve”, which is no number');
  await page.getByLabel('Amount (GBP)').fill('12.50');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alert')).toContainText('“Nobody at all” (Who) is nobody known here');
  await expect(page.getByLabel('Number')).toHaveValue('2026-0900');
  await page.getByLabel('Who').fill('');
  await page.getByLabel('Who').pressSequentially('Noor');
  await expect(page.locator('#picks-field-who option')).toHaveAttribute('value', /Noor Haddad \(#\d+\)/);
  await page.getByLabel('Who').fill(await page.locator('#picks-field-who option').getAttribute('value'));
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('heading', { name: '2026-0900' })).toBeVisible();
  await expect(page.getByText('Invoice added, by Mira Okafor.')).toBeVisible();
});

test('a type of record gets fields, and a field says who counts on it', async ({ page }) => {
  await logIn(page);
  await page.goto('/settings');
  await page.getByLabel('One is called').fill('Regatta entry');
  await page.getByLabel('Several are called').fill('Regatta entries');
  await page.getByRole('button', { name: 'Add a type' }).click();
  const add = page.getByRole('form', { name: 'Add a field' });
  await add.getByLabel('Called').fill('Class');
  await add.getByLabel('Holds').selectOption('choice');
  await add.getByLabel('Choices in their order').fill('novice\nopen\nmasters');
  await add.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('regatta_entry.class')).toBeVisible();
  await page.getByLabel('The field that is its stage').selectOption('Class');
  await page.locator('aside').getByRole('button', { name: 'Keep' }).click();
  await page.goto('/records/regatta_entry/board');
  await expect(page.getByRole('region', { name: 'masters' })).toBeVisible();

  await page.goto('/settings/record-types/call');
  await page.getByText('call.outcome').click();
  await expect(page.locator('details[open]')).toContainText('Front desk: missed call, followed up');
  await page.locator('details[open]').getByLabel('Called').fill('How it ended');
  await page.locator('details[open]').getByRole('button', { name: 'Keep' }).click();
  await page.goto('/rules/1');
  // In a sentence a field is called what it is called on screen, unless it has a noun of its own.
  await expect(page.locator('.prose')).toContainText('When a call comes in, if its how it ended is missed');
  await page.goto('/settings/record-types/call');
  await page.getByText('call.outcome').click();
  await page.locator('details[open]').getByLabel('In a sentence').fill('the ending');
  await page.locator('details[open]').getByRole('button', { name: 'Keep' }).click();
  await page.goto('/rules/1');
  await expect(page.locator('.prose')).toContainText('if its ending is missed');
  // As it was, for those who come after.
  await page.goto('/settings/record-types/call');
  await page.getByText('call.outcome').click();
  await page.locator('details[open]').getByLabel('Called').fill('Outcome');
  await page.locator('details[open]').getByLabel('In a sentence').fill('the outcome');
  await page.locator('details[open]').getByRole('button', { name: 'Keep' }).click();
  await page.goto('/rules/1');
  await expect(page.locator('.prose')).toContainText('if its outcome is missed');
});
