import { expect, test } from '@playwright/test';
import { clockTo, handsetOf, logIn, openPerson, reloadUntil, ring, writeFrom } from './world.js';

const EDIE = '+447700900329';
const CALLUM = '+447700900336';
const DESK = 'front desk';

test('a missed call is answered by text, and every reason can be read', async ({ page }) => {
  clockTo('2026-03-02T11:00:00Z');
  await logIn(page);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('gone out today');

  await ring(page, EDIE);
  await expect(await handsetOf(page, EDIE)).toContainText('No texts yet');

  clockTo('2026-03-02T11:02:00Z');
  const texts = await handsetOf(page, EDIE);
  await expect(texts).toContainText('Osier Quay Boathouse: Hello Edie, sorry we missed your call at 10:59');
  await expect(texts).toContainText(`the ${DESK}`);

  await writeFrom(page, EDIE, 'Do you rent out drysuits?');
  await page.goto('/conversations?show=waiting');
  await reloadUntil(page, () => page.getByRole('link', { name: /Edie Marlow/ }));
  await page.getByRole('link', { name: /Edie Marlow/ }).click();
  const thread = page.locator('#thread');
  await expect(thread).toContainText('Do you rent out drysuits?');
  await expect(thread).toContainText('arrived');
  await expect(thread).toContainText('Follow-ups dropped: Edie replied.');

  await page.getByLabel('Write to Edie').fill('We do, in four sizes.');
  await expect(page.locator('#measure')).toContainText('21 characters, 1 part');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(thread).toContainText('We do, in four sizes.');
  await expect(await handsetOf(page, EDIE)).toContainText('We do, in four sizes.');

  clockTo('2026-03-03T11:05:00Z');
  await ring(page, CALLUM);
  clockTo('2026-03-03T11:07:00Z');
  await expect(await handsetOf(page, CALLUM)).toContainText('Hello Callum');
  await expect(await handsetOf(page, EDIE)).not.toContainText('Still here');

  await writeFrom(page, CALLUM, 'STOP');
  await expect(await handsetOf(page, CALLUM)).toContainText('you will get no more texts from us');
  clockTo('2026-03-03T12:00:00Z');
  await ring(page, CALLUM);
  clockTo('2026-03-04T13:00:00Z');

  await openPerson(page, 'frith', 'Callum Frith');
  await expect(page.getByText('No. Callum has said stop.')).toBeVisible();
  await reloadUntil(page, () => page.getByText('Not started: Callum has said stop.').last());
  await expect(page.getByText('Follow-ups dropped: Callum said stop.')).toBeVisible();
  await expect((await handsetOf(page, CALLUM)).getByText('Osier Quay Boathouse', { exact: false })).toHaveCount(2);
});

test('a text to Toronto at two in the night is held, and the screen says so', async ({ page }) => {
  clockTo('2026-03-05T07:00:00Z');
  await logIn(page);
  await page.goto('/rules');
  await page.getByRole('link', { name: 'Front desk: missed call, followed up' }).click();
  await page.locator('.reads').first().press('F2');
  await page
    .getByRole('combobox')
    .first()
    .fill('When a call comes in, if its outcome is missed and its line is the front desk');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Changes not published.')).toBeVisible();
  await page.getByText('Publish changes…').click();
  await page.getByRole('button', { name: 'Publish version 2' }).click();
  await expect(page.locator('#toast')).toContainText('Published.');

  const ana = '+14165550142';
  await ring(page, ana);
  clockTo('2026-03-05T07:02:00Z');
  await openPerson(page, 'silva', 'Ana Silva');
  const held = 'Held until Thu 5 March 08:00 for Ana (Toronto): it was Thu 5 March 02:02 there, outside decent hours.';
  await reloadUntil(page, () => page.getByText(held).first());
  await expect(page.getByText('It is 02:02 for Ana (in Toronto; here it is 07:02).')).toBeVisible();

  clockTo('2026-03-05T13:00:00Z');
  await expect(await handsetOf(page, ana)).toContainText('Thu 5 Mar 13:00');
});

test('whatever arrives ends in a visible, correct place', async ({ page }) => {
  clockTo('2026-03-06T10:00:00Z');
  await logIn(page);
  await ring(page, '+441632960221');
  await ring(page, '+447700900392', 'the front desk', { withheld: true });
  await ring(page, '+447700900392', 'the front desk', { told: 'broken' });
  await ring(page, '+447700900392', 'the front desk', { told: 'wrong_secret' });
  await ring(page, '+447700900392', 'the front desk', { answered: true });
  await ring(page, '+447700900406', 'the workshop', { told: 'twice' });
  clockTo('2026-03-06T10:02:00Z');

  await page.goto('/sources');
  await page.getByRole('link', { name: 'Phone system' }).click();
  const rows = page.getByRole('row');
  for (const said of [
    'The number was withheld, so there is nobody to text.',
    'It could not be read as JSON. It may have been cut off on the way',
    'The secret was missing or wrong.',
    'Left out: somebody answered, and only missed calls are taken.',
    'Exactly this had come before and was used then.',
  ]) {
    await reloadUntil(page, () => rows.filter({ hasText: said }).first());
  }

  await page.goto('/sent?find=vane');
  await reloadUntil(page, () =>
    page.getByText('Not sent: +44 1632 960221 is a landline, where texts do not arrive.').first(),
  );
  await page.goto('/sent?find=eze');
  await expect(page.getByRole('row').filter({ hasText: 'Oluchi Eze' })).toHaveCount(1);

  await page.goto('/today');
  await expect(page.locator('#needs')).toContainText('Phone system sent 2 deliveries that could not be used');
  await expect(page.locator('#needs')).toContainText('A text was not sent to Cyril Vane (+44 1632 960221)');
});
