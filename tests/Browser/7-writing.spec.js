import { expect, test } from '@playwright/test';
import { clockTo, follow, handsetOf, logIn, reloadUntil, ring, writeFrom } from './world.js';

const WEN = '+447700900301';
const JASPER = '+447700900113';
const MINE = '+447700900777';

/** Rules written by keyboard alone: no click from the log-in on. */
const settled = (page) => expect(page.locator('.htmx-request, .htmx-swapping, .htmx-settling')).toHaveCount(0);

async function posted(page, act) {
  const answer = page.waitForResponse((response) => response.request().method() === 'POST');
  await act();
  expect((await answer).status()).toBe(200);
  await settled(page);
}

/** From its first sentence; of a word that is given besides, the end is left to be offered. */
async function begin(page, sentence, name, offered = null) {
  await page.goto('/rules/new');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.insertText(sentence);
  if (offered !== null) {
    await expect(page.getByRole('option').first()).toContainText(offered);
    await page.keyboard.press('Tab');
    await expect(page.getByRole('combobox')).toHaveValue(new RegExp(`${offered} $`));
  }
  await page.getByLabel('Name (it can be changed later)').focus();
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
  await expect(page.locator('h1')).toContainText(name);
  // The words of its first text are written next.
  await expect(page.locator('.cm-content')).toBeFocused();
}

async function goTo(page, sentence) {
  await page.locator('.reads').first().focus();
  const all = await page.locator('.reads').allTextContents();
  const below = all.findIndex((words) => words.trim().startsWith(sentence));
  for (let i = 0; i < below; i++) await page.keyboard.press('ArrowDown');
  await expect(page.locator(':focus')).toContainText(sentence);
}

async function rewrite(page, at, sentence) {
  await goTo(page, at);
  await page.keyboard.press('F2');
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(sentence);
  await posted(page, () => page.keyboard.press('Enter'));
}

/** A sentence below another; with words, they are written into the box that opens. */
async function below(page, at, sentence, words = null, key = 'Enter') {
  await goTo(page, at);
  await page.keyboard.press(key);
  await page.keyboard.insertText(sentence);
  await posted(page, () => page.keyboard.press('Enter'));
  if (words !== null) await say(page, words);
}

/** The words of the box that is open. */
async function say(page, words) {
  await expect(page.locator('.cm-content:focus')).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(words);
  await posted(page, () => page.keyboard.press('Control+Enter'));
}

async function sayAt(page, at, words) {
  await goTo(page, at);
  const sentence = page.locator('.sentence', { has: page.locator(':focus') });
  const editor = sentence.locator('.cm-content');
  if (await editor.isVisible()) {
    await editor.focus();
  } else {
    await sentence.getByRole('button', { name: 'Change the words' }).focus();
    await page.keyboard.press('Enter');
  }
  await say(page, words);
}

/** Its texts, sent to one's own phone one after another; the number is confirmed the first time. */
async function tryOnPhone(page, texts, answer = null) {
  await follow(page, page.getByRole('link', { name: 'Try it on my phone' }), /trial/);
  const address = page.url();
  const isMine = await page.getByRole('button', { name: 'Begin the trial' }).isVisible();
  if (!isMine) {
    await page.getByLabel('Number of your mobile').fill(MINE);
    await page.keyboard.press('Enter');
    await expect(page.getByText('A code was sent to')).toBeVisible();
    const sent = await (await handsetOf(page, MINE)).innerText();
    await page.goto(address);
    await page.getByLabel('The code').fill(/\d{6}/.exec(sent)[0]);
    await page.keyboard.press('Enter');
    await expect(page.locator('#toast')).toContainText('The number is yours.');
  }
  const press = async (name) => {
    await page.getByRole('button', { name }).focus();
    await page.keyboard.press('Enter');
  };
  await press('Begin the trial');
  for (const [i, words] of texts.entries()) {
    await press('Send the next');
    await expect(page.locator('.handset .says')).toHaveCount(i + 1);
    await expect(page.locator('.handset .says').nth(i)).toContainText(words);
  }
  if (answer !== null) {
    await writeFrom(page, MINE, answer.text);
    await page.goto(address);
    await expect(page.locator('.handset .mine')).toHaveText(answer.text);
    await expect(page.locator('#trial')).toContainText(answer.then);
  }
  await expect(await handsetOf(page, MINE)).toContainText(`Trial: `);
  await page.goto(address);
  await press('End the trial');
  await follow(page, page.locator('.crumb a').last(), /rules\/\d+(\?|$)/);
}

async function publish(page) {
  await page.locator('summary', { hasText: 'Publish…' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('#agreement')).not.toContainText('Asking the engine');
  await page.getByRole('button', { name: 'Publish version 1' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('#toast')).toContainText('Published.');
  await page.getByRole('button', { name: 'Switch on' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('On since')).toBeVisible();
}

test('a booking is confirmed by yes or no, with a question asked again, and happens on a handset', async ({ page }) => {
  clockTo('2026-03-16T10:00:00Z');
  await logIn(page);
  await begin(page, 'When a booking comes in, if its state is boo', 'Confirmed by yes or no', 'booked');
  await rewrite(page, 'Text the guest', 'ask the guest from the workshop, as a service text');
  await sayAt(
    page,
    'Ask the guest',
    '{{ booking.lesson }} on {{ booking.starts_at | as: "weekday time" }}: does it suit you? YES or NO.',
  );
  await below(page, 'If they answer "yes"', 'add the tag "confirmed"');
  await below(page, 'If they answer "no"', 'set the state to cancelled');
  await below(page, 'If they have not answered', 'if they say something else, once', 'Sorry, was that YES or NO?');
  await below(
    page,
    'If they have not answered',
    'wait until 20 minutes before the start, then text the guest from the line last used, as a service text, unless it is late',
    'See you in 20 minutes.',
    'Shift+Enter',
  );
  await rewrite(page, 'It stops', 'It goes on even if they reply');
  await expect(page.locator('.prose')).toContainText(
    'Wait until 20 minutes before the start, then text the guest from the line last used',
  );
  await expect(page.locator('.time-line')).toBeVisible();
  await tryOnPhone(page, ['does it suit you?'], { text: 'perhaps', then: 'Sorry, was that YES or NO?' });
  await publish(page);

  await page.goto('/records/booking/new');
  await page.getByLabel('Lesson').fill('Sculling taster');
  await page.getByLabel('Who').fill(WEN);
  await page.getByLabel('State').selectOption('booked');
  await page.getByLabel('Starts').fill('2026-03-18T10:00');
  await page.keyboard.press('Enter');
  await expect(page.locator('#toast')).toContainText('It is kept.');
  await expect(await handsetOf(page, WEN)).toContainText('Sculling taster on Wednesday 10:00: does it suit you?');
  await writeFrom(page, WEN, 'perhaps', 'the workshop');
  await expect(await handsetOf(page, WEN)).toContainText('Sorry, was that YES or NO?');
  await writeFrom(page, WEN, 'Yes', 'the workshop');
  await page.goto(`/people?find=${encodeURIComponent(WEN)}`);
  await follow(page, page.locator('tbody a').first(), /people\/\d+$/);
  await reloadUntil(page, () => page.getByText('confirmed').first());
  clockTo('2026-03-18T09:41:00Z');
  await expect(await handsetOf(page, WEN)).toContainText('See you in 20 minutes.');
});

test('a yearly check is asked for twice, unless a job was booked', async ({ page }) => {
  await logIn(page);
  await begin(
    page,
    '4 weeks before the next check of a service plan, at 11:30, if its state is runs',
    'Check in four weeks',
  );
  await sayAt(
    page,
    'Text the customer',
    'The check of {{ service_plan.boat }} is due on {{ service_plan.next_check | as: "date" }}.',
  );
  await below(
    page,
    'Text the customer',
    'wait 9 days, then wait until 16:15, then go on only if they have no job whose promised day is within the next 60 days, then text the customer from the workshop, as a service text',
    'Not booked yet: which day suits you?',
  );
  await expect(page.locator('.time-line')).toContainText('16:15');
  await tryOnPhone(page, ['The check of', 'Not booked yet']);
  await publish(page);

  await page.goto('/records/service_plan/new');
  await page.getByLabel('Boat').fill('Kittiwake');
  await page.getByLabel('Who').fill(WEN);
  await page.getByLabel('State').selectOption('runs');
  await page.getByLabel('Next yearly check').fill('2026-04-15');
  await page.keyboard.press('Enter');
  await expect(page.locator('#toast')).toContainText('It is kept.');
  clockTo('2026-03-18T11:31:00Z');
  await expect(await handsetOf(page, WEN)).toContainText('The check of Kittiwake is due on');
  clockTo('2026-03-27T16:14:00Z');
  await expect(await handsetOf(page, WEN)).not.toContainText('which day suits you?');
  clockTo('2026-03-27T16:16:00Z');
  await expect(await handsetOf(page, WEN)).toContainText('Not booked yet: which day suits you?');
});

test('a call’s outcome is followed by a text and a change, undone and done again', async ({ page }) => {
  await logIn(page);
  await begin(page, 'When the outcome of a call becomes answered', 'After a call');
  await rewrite(
    page,
    'Text the caller',
    'wait 1 minute, then text the caller from the line they called, as a service text',
  );
  await sayAt(page, 'Wait 1 minute', 'Thank you for calling.');
  await below(page, 'Wait 1 minute', 'set the reason to "texted"');
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.locator('.reads').nth(1)).toHaveText('Set the reason to "texted".');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.reads').nth(1)).toContainText('Wait 1 minute');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('.reads').nth(1)).toHaveText('Set the reason to "texted".');
  await tryOnPhone(page, ['Thank you for calling.']);
  await publish(page);

  clockTo('2026-03-30T10:00:00Z');
  await ring(page, WEN);
  await page.goto('/records/call');
  await reloadUntil(page, () => page.locator('tbody tr').first().getByText('Wen Li'));
  await follow(page, page.locator('tbody a').first(), /call\/\d+$/);
  await follow(page, page.getByRole('link', { name: 'Change', exact: true }), /call\/\d+\/edit$/);
  await page.locator('#field-outcome').selectOption('answered');
  await page.locator('#field-why').press('Enter');
  await expect(page.locator('#toast')).toContainText('The change is kept.');
  clockTo('2026-03-30T10:02:00Z');
  await expect(await handsetOf(page, WEN)).toContainText('Thank you for calling.');
  await page.goto('/records/call');
  await follow(page, page.locator('tbody a').first(), /call\/\d+$/);
  await reloadUntil(page, () => page.getByText('texted').first());
});

test('a basket that was left gets one follow-up only while it is unpaid', async ({ page }) => {
  await logIn(page);
  await begin(
    page,
    'When nothing has happened to a basket for 45 minutes while its state is open or left and it has more than 0 pieces, if they have agreed to offers',
    'Basket, twice',
  );
  await rewrite(page, 'Text the customer', 'text the customer from the front desk, as a marketing text');
  await sayAt(page, 'Text the customer', 'Still yours: {{ basket.what | limit: 40 }} {{ link: basket.url }}');
  await below(
    page,
    'Text the customer',
    'wait 1 day, then go on only if its state is not paid, then text the customer from the front desk, as a marketing text',
    'A fifth off with {{ code: "welcome" }}: {{ link: basket.url }}',
  );
  await rewrite(page, 'It starts once', 'It does not start again for the same person within 7 days');
  await expect(page.locator('.time-line [data-step]')).not.toHaveCount(0);
  await tryOnPhone(page, ['Still yours:', 'A fifth off with']);
  await publish(page);

  clockTo('2026-03-30T10:10:00Z');
  await page.goto('/records/basket/new');
  await page.getByLabel('What is in it').fill('A dry bag');
  await page.getByLabel('Who').fill(JASPER);
  await page.getByLabel('State').selectOption('open');
  await page.getByLabel('Pieces').fill('1');
  await page.getByLabel('Way back to it').fill('https://shop.osierquay.example/b/77');
  await page.keyboard.press('Enter');
  await expect(page.locator('#toast')).toContainText('It is kept.');
  clockTo('2026-03-30T10:54:00Z');
  await expect(await handsetOf(page, JASPER)).not.toContainText('Still yours: A dry bag');
  clockTo('2026-03-30T10:56:00Z');
  await expect(await handsetOf(page, JASPER)).toContainText('Still yours: A dry bag');
  clockTo('2026-03-31T10:57:00Z');
  await expect(await handsetOf(page, JASPER)).toContainText('A fifth off with');
});

test('a deal that enters a stage hears from its owner, in five wordings by turns', async ({ page }) => {
  await logIn(page);
  // The newest deal is what the rule is rehearsed on.
  await page.goto('/records/deal/new');
  await page.getByLabel('Company day').fill('Paddles for twelve');
  await page.getByLabel('Who').fill(WEN);
  await page.getByLabel('Stage').selectOption('talked');
  await page.getByLabel('Owner').selectOption('Tom Reyes');
  await page.getByLabel('Company day').press('Enter');
  await expect(page.locator('#toast')).toContainText('It is kept.');
  const deal = page.url();
  await begin(page, 'When the stage of a deal becomes offered', 'Offer out');
  await rewrite(page, 'Text the customer', "text the customer from the owner's line, as a service text");
  await sayAt(page, 'Text the customer', 'Our offer for {{ deal.title }} is in your mail.');
  await below(
    page,
    'Text the customer',
    "wait 3 days, then go on only if its stage is offered, then text the customer from the owner's line, as a service text, in 5 wordings, in turn",
    'Any questions?',
  );
  for (const [i, words] of [
    'Shall we hold the day?',
    'Is anything not clear?',
    'How does it look?',
    'We are here.',
  ].entries())
    await sayAt(page, `Wording ${i + 2}`, words);
  await expect(page.locator('.prose .letter')).toHaveCount(6);
  await follow(page, page.getByRole('link', { name: 'Versions' }), /versions$/);
  await expect(page.getByText('Nothing is published yet.')).toBeVisible();
  await follow(page, page.getByRole('link', { name: 'Write', exact: true }), /rules\/\d+(\?|$)/);
  await tryOnPhone(page, ['is in your mail.', 'Any questions?']);
  await publish(page);

  await page.goto(deal);
  await follow(page, page.getByRole('link', { name: 'Change', exact: true }), /deal\/\d+\/edit$/);
  await page.getByLabel('Stage').selectOption('offered');
  await page.getByLabel('Company day').press('Enter');
  await expect(page.locator('#toast')).toContainText('The change is kept.');
  // Its line was busy this second.
  clockTo('2026-03-31T10:58:00Z');
  await expect(await handsetOf(page, WEN)).toContainText('Our offer for Paddles for twelve is in your mail.');
  clockTo('2026-04-03T11:00:00Z');
  await expect(await handsetOf(page, WEN)).toContainText('Any questions?');
});

test.describe('with script off', () => {
  test.use({ javaScriptEnabled: false });

  test('a confirmation by yes or no is written all the same', async ({ page }) => {
    const sentence = (reads) => page.locator('.sentence', { hasText: reads }).first();
    const insertBelow = async (reads, text) => {
      const gap = page.locator('.sentence', { hasText: reads }).first().locator('xpath=following-sibling::details[1]');
      await gap.locator('summary').click({ force: true });
      await gap.locator('[name=text]').fill(text);
      await gap.getByRole('button', { name: 'Keep this sentence' }).click();
    };
    await logIn(page);
    await page.goto('/rules/new');
    await page.getByLabel('What starts it').fill('When a booking comes in, if its state is booked');
    await page.getByLabel('Name (it can be changed later)').fill('Without script');
    await page.getByRole('button', { name: 'Begin the rule' }).click();
    await sentence('Text the guest').locator('.rewrite summary').click({ force: true });
    const line = sentence('Text the guest').locator('.rewrite [name=text]');
    await line.fill('ask the guest from the workshop, as a sermon');
    await sentence('Text the guest').getByRole('button', { name: 'Keep it so' }).click();
    await expect(page.getByRole('alert')).toContainText('is not understood');
    await page.locator('.rewrite[open] [name=text]').fill('ask the guest from the workshop, as a service text');
    await page.locator('.rewrite[open]').getByRole('button', { name: 'Keep it so' }).click();
    await page.locator('.letter textarea').first().fill('Does it suit you? YES or NO.');
    await page.getByRole('button', { name: 'Keep these words' }).first().click();
    await insertBelow('If they answer "yes"', 'add the tag "confirmed"');
    await insertBelow('If they answer "no"', 'set the state to cancelled');
    await insertBelow('Set the state', 'wait until 20 minutes before the start');
    await expect(page.locator('.prose')).toContainText('Does it suit you? YES or NO.');
    await expect(page.locator('.prose')).toContainText('Wait until 20 minutes before the start.');
    await page.locator('summary', { hasText: 'Publish…' }).click();
    await page.getByRole('link', { name: 'Show what publishing means' }).click();
    await page.locator('summary', { hasText: 'Publish…' }).click();
    await expect(page.locator('#agreement')).toContainText('booking');
    await page.getByRole('button', { name: 'Publish version 1' }).click();
    await expect(page.getByText('Published.')).toBeVisible();
  });
});

test('a whole rule is pasted', async ({ page }) => {
  await logIn(page);
  await page.goto('/rules/new');
  await page.getByText('Paste the sentences of a whole rule').click();
  await page.getByLabel('The sentences of a whole rule').fill('Rule: Pasted\nWhen a call comes in:\n  dance.\n');
  await page.getByRole('button', { name: 'Make the rule' }).click();
  await expect(page.getByRole('alert')).toContainText('Line 3, character 3: “dance” does not begin a sentence here.');
  await page.getByLabel('The sentences of a whole rule').fill('Rule: Pasted\nWhen a call comes in:\n  end: so.\n');
  await page.getByRole('button', { name: 'Make the rule' }).click();
  await expect(page.locator('h1')).toContainText('Pasted');
});

test('a call’s outcome is followed by a text and a change, all of it by mouse alone', async ({ page }) => {
  const pick = (whole) => page.locator(`.offers:not([hidden]) li[data-whole="${whole}"]`).click();
  const end = () => page.locator('.offers:not([hidden]) li.ends').click();
  const click = (role, name) => page.getByRole(role, { name, exact: true }).first().click();
  clockTo('2026-04-07T10:00:00Z');
  await logIn(page);
  await page.goto('/rules/new');
  const trigger = 'when the outcome of a call becomes answered';
  for (const length of [4, 26, 34, trigger.length]) await pick(trigger.slice(0, length));
  await end();
  await expect(page.locator('.cm-content')).toBeFocused();
  await page.locator('.between summary').first().click({ force: true });
  await pick('wait');
  await pick('wait 1 hour');
  await posted(page, end);
  await page.locator('.w', { hasText: '1 hour' }).click();
  await posted(page, () => page.getByRole('button', { name: '1 minute', exact: true }).click());
  await click('button', 'Change the words');
  await expect(page.locator('.cm-content')).toBeFocused();
  await page.getByRole('button', { name: /Fill in/ }).click();
  await page.getByRole('option', { name: /^business name/ }).click();
  await expect(page.locator('.cm-content .token').last()).toHaveText('business name');
  await posted(page, () => click('button', 'Keep these words'));
  await page
    .locator('.sentence', { hasText: 'Wait 1 minute' })
    .locator('xpath=following-sibling::details[1]/summary')
    .click({ force: true });
  await pick('set');
  await pick('set the outcome');
  await pick('set the outcome to');
  await pick('set the outcome to missed');
  await posted(page, end);
  await expect(page.locator('.prose')).toContainText('Set the outcome to missed.');

  await click('link', 'Try it on my phone');
  await click('button', 'Begin the trial');
  await click('button', 'Send the next');
  await expect(page.locator('.handset .says')).toContainText('Osier Quay Boathouse');
  await click('button', 'End the trial');
  await page.locator('.crumb a').last().click();
  await page.locator('summary', { hasText: 'Publish…' }).click();
  await expect(page.locator('#agreement')).toContainText('call');
  await click('button', 'Publish version 1');
  await click('button', 'Switch on');
  await expect(page.getByText('On since')).toBeVisible();

  await ring(page, JASPER);
  await page.goto('/records/call');
  await reloadUntil(page, () => page.locator('tbody tr').first().getByText('Jasper'));
  await page.locator('tbody a').first().click();
  await click('link', 'Change');
  await page.locator('#field-outcome').selectOption('answered');
  await click('button', 'Keep');
  await expect(page.locator('#toast')).toContainText('The change is kept.');
  clockTo('2026-04-07T10:01:30Z');
  await expect(await handsetOf(page, JASPER)).toContainText(
    /Apr 1\d:01, the front desk\s+Hello.*Osier Quay Boathouse/s,
  );
});
