import { expect, test } from '@playwright/test';
import { changeWords, clockTo, expectAccessible, handsetOf, logIn, writeFrom } from './world.js';

const OTIS = '+447700900777';

test('a form is filled in and confirmed by text; to those who agreed a text goes under pace, is stopped half way, the rest never sent', async ({
  page,
}) => {
  test.setTimeout(240_000);
  clockTo('2026-05-11T09:00:00Z');
  await logIn(page);
  await page.goto('/f/newsletter');
  await page.getByLabel('Your first name').fill('Otis');
  await page.getByLabel('Your mobile number').fill('07700 900777');
  await page.getByLabel(/news of the quay by text/).check();
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByRole('status')).toContainText('answer YES to it');
  await expect(await handsetOf(page, OTIS)).toContainText('you asked for our news by text');
  await writeFrom(page, OTIS, 'Yes');
  await expect(await handsetOf(page, OTIS)).toContainText('you are on the list');

  await page.goto('/lines/1');
  await page.getByLabel('In a minute').fill('4');
  await page.getByLabel('In a minute').press('Enter');
  await expect(page.getByLabel('In a minute')).toHaveValue('4');

  await page.goto('/people');
  await page.getByRole('link', { name: 'Audiences' }).click();
  const make = page.getByRole('form', { name: 'Make an audience' });
  await make.getByLabel('Who belongs to it').fill('everybody who has agred to offers');
  await make.getByLabel(/Name/).fill('Have agreed');
  await make.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('#sentence-error')).toContainText('Character');
  await make.getByLabel('Who belongs to it').fill('everybody who has agreed to offers');
  await expect(page.getByRole('option').first()).toBeVisible();
  await expect(page.locator('#sentence-count')).toContainText('people');
  await make.getByLabel(/Name/).fill('Have agreed');
  await make.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Everybody who has agreed to offers.')).toBeVisible();
  await expectAccessible(page);

  // Whoever has just said yes belongs to it.
  const audience = page.url();
  await page.goto(`/people?find=Otis&audience=${audience.split('/').pop()}`);
  await expect(page.getByRole('link', { name: 'Otis' })).toBeVisible();
  await page.goto(audience);
  await page.getByRole('button', { name: 'Write to them' }).click();
  const go = page.getByText(/^Let \d+ go…$/);
  await expect(page.getByText('Write the words, then it can be let go.')).toBeVisible();
  await expect(go).toHaveCount(0);
  await changeWords(page);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('The quay is closed on Friday.');
  await page.getByRole('button', { name: 'Keep these words' }).click();
  await expect(go).toBeVisible();
  await expect(page.locator('.letter')).toContainText('The quay is closed on Friday.');
  await expect(page.locator('#who')).toContainText('get it');
  await expect(page.locator('.handset .says')).toContainText('The quay is closed on Friday.');
  await expectAccessible(page);
  await page.locator('#who').getByRole('link', { name: 'show' }).last().click();
  await expect(page.getByRole('heading', { name: 'Who gets it' })).toBeVisible();
  await page.goBack();

  // What else the days between have brought has left by now.
  clockTo('2026-05-11T13:00:00Z');
  await go.click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Let it go' }).click();
  await expect(page.locator('#progress')).toContainText(/Under way: [1-9]/);
  clockTo('2026-05-11T13:02:00Z');
  await expect(page.locator('#progress')).toContainText(/Under way: ([89]|1\d) have left/, { timeout: 20_000 });
  await page.getByRole('button', { name: 'Hold the rest' }).click();
  await expect(page.locator('#progress')).toContainText('Held:');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByText('Stop the rest…').click();
  await page.getByRole('button', { name: 'Stop the rest for good' }).click();
  await expect(page.locator('#progress')).toContainText('the rest was never sent');
  const stopped = await page.locator('#progress .lead').textContent();
  clockTo('2026-05-11T15:00:00Z');
  await page.reload();
  await expect(page.locator('#progress .lead')).toHaveText(stopped.trim().split(/\s+/).join(' '));
  await expectAccessible(page);

  await page.goto('/lines/1');
  await page.getByLabel('In a minute').fill('');
  await page.getByLabel('In a minute').press('Enter');
});

test('rows that are ticked are written to by the clock of each', async ({ page }) => {
  test.setTimeout(180_000);
  clockTo('2026-05-12T09:00:00Z');
  await logIn(page);
  await page.goto('/people?find=416%20555%200142');
  await page.locator('tbody .tick').first().check();
  await page.getByRole('button', { name: 'Write to the ticked' }).click();
  await page.locator('summary', { hasText: /^now$/ }).click();
  await page.getByLabel('at a time of day where each of them is').check();
  await page.getByLabel('Day and time').fill('2026-05-12T12:00');
  await page.getByLabel('Day and time').press('Enter');
  await expect(page.getByText('today at 12:00 where they are')).toBeVisible();
  await changeWords(page);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Your paddle is found.');
  await page.keyboard.press('Control+Enter');
  await expect(page.locator('.handset')).toContainText('12:00 there');
  await page.getByText('Let 1 go…').click();
  await page.getByRole('button', { name: 'Let it go' }).click();
  await expect(page.locator('#progress')).toBeVisible();
  clockTo('2026-05-12T15:59:00Z');
  await expect(await handsetOf(page, '+14165550142')).not.toContainText('Your paddle is found.');
  clockTo('2026-05-12T16:00:00Z');
  await expect(page.locator('#texts')).toContainText('Your paddle is found.');
});

test('a list of what may come next that comes late does not open over what one has gone on to', async ({ page }) => {
  await page.addInitScript(() => {
    const { text } = Response.prototype;
    const held = new Promise((done) => (window.letIn = done));
    Response.prototype.text = async function () {
      const words = await text.call(this);
      if (this.url.includes('/completions')) {
        window.hasCome = true;
        await held;
      }
      return words;
    };
  });
  await logIn(page);
  await page.goto('/audiences');
  await page.getByLabel('Who belongs to it').fill('everybody');
  await page.waitForFunction(() => window.hasCome);
  await page.getByRole('form', { name: 'Make an audience' }).getByLabel(/Name/).focus();
  await page.evaluate(() => {
    window.letIn();
    return new Promise(requestAnimationFrame);
  });
  await expect(page.locator('#sentence-list')).toBeHidden();
});
