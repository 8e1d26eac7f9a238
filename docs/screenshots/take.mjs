// Takes the pictures of the main views from the demo's data: start bin/demo (fresh, with its clock stopped), then run this.
//   DEMO_CLOCK=stop bin/demo --fresh        node docs/screenshots/take.mjs [name …]
import { chromium } from '@playwright/test';
import config from '../../playwright.config.js';

const linnet = process.env.APP_URL ?? 'http://127.0.0.1:8000';
const standins = process.env.STANDINS_URL ?? 'http://127.0.0.1:8001';
const folder = process.env.SHOTS ?? new URL('.', import.meta.url).pathname;
const wanted = process.argv.slice(2);

const browser = await chromium.launch(config.use.launchOptions);
const page = await browser.newPage({
  locale: 'en-GB',
  viewport: { width: Number(process.env.WIDTH ?? 1280), height: 800 },
  colorScheme: process.env.SCHEME ?? 'light',
});
page.on('console', (message) => message.type() === 'error' && console.error('console:', message.text()));
page.on('pageerror', (error) => console.error('page:', error.message));

const shot = async (name, address, before = async () => {}) => {
  if (wanted.length > 0 && !wanted.includes(name)) return;
  await page.goto(address);
  await before();
  await page.waitForTimeout(250);
  await page.screenshot({ path: `${folder}/${name}.png` });
};
const follow = (name) => async () => page.getByRole('link', { name }).first().click();

await page.goto(`${linnet}/log-in`);
await page.getByLabel('Email').fill('mira@osierquay.example');
await page.getByLabel('Password').fill('boathouse');
await page.getByRole('button', { name: 'Log in' }).click();

await shot('today', `${linnet}/today`);
await shot('rule', `${linnet}/rules/1`);
await shot('rule-words', `${linnet}/rules/1`, async () => {
  await page.getByRole('button', { name: 'Change the words' }).first().click();
  await page.locator('.cm-content .token').last().click();
  await page.locator('.token-choices').waitFor();
  await page.locator('[id^=preview-] .handset').first().waitFor();
});
await shot('rehearsal', `${linnet}/rules`, async () => {
  await page.getByRole('link', { name: 'Basket left' }).click();
  if (!(await page.getByText('Changes not published.').isVisible())) {
    await page.getByRole('button', { name: 'Change the words' }).first().click();
    await page
      .locator('.cm-content')
      .fill('{{ first_name | or: "Hello" }}, your {{ basket.what | limit: 40 }} is kept until Friday.');
    await page.getByRole('button', { name: 'Keep these words' }).click();
    await page.getByText('Changes not published.').waitFor();
  }
  await page.getByRole('link', { name: 'Rehearse', exact: true }).click();
  await page.getByRole('button', { name: /^Rehearse/ }).click();
  await page.locator('.rehearsed').waitFor();
});
await shot('trial', `${linnet}/rules/1/trial`, async () => {
  if (!(await page.getByRole('button', { name: 'Begin the trial' }).isVisible())) {
    await page.getByLabel('Number of your mobile').fill('07700 900777');
    await page.getByRole('button', { name: 'Send a code there' }).click();
    await page.goto(`${standins}/handsets/+447700900777`);
    const code = /\d{6}/.exec(await page.locator('#texts').innerText())[0];
    await page.goto(`${linnet}/rules/1/trial`);
    await page.getByLabel('The code').fill(code);
    await page.getByRole('button', { name: 'It is mine' }).click();
  }
  await page.getByRole('button', { name: 'Begin the trial' }).click();
  await page.getByRole('button', { name: 'Send the next' }).click();
  await page.getByText('front desk, arrived').waitFor();
});
await shot('rule-writing', `${linnet}/rules/1`, async () => {
  await page.locator('.reads').nth(1).press('Enter');
  await page.keyboard.type('wait until');
  await page.locator('.offers:not([hidden]) li').first().waitFor();
  await page.waitForTimeout(400);
});
await shot('several', `${linnet}/several`, async () => {
  await page
    .getByRole('link', { name: /Moonlight paddle moved/ })
    .first()
    .click();
  await page.locator('#drawn .bars').waitFor();
  await page.getByText(/^Let \d+ go…$/).waitFor();
});
await shot('conversations', `${linnet}/conversations?show=waiting`, follow(/Rosa Delgado|Priya Raman/));
await shot('person', `${linnet}/people?find=petts`, follow('Jon Petts'));
await shot('results', `${linnet}/rules?find=After`, async () => {
  await page.getByRole('link', { name: 'After the lesson' }).click();
  await page.getByRole('link', { name: 'Results' }).click();
});
await shot('lines', `${linnet}/lines`);
await shot('sent', `${linnet}/sent`);
await shot('source', `${linnet}/sources/phone`);
await shot('mapping', `${linnet}/sources/shop/mapping`);
await shot('records', `${linnet}/records/booking`);
await shot('record', `${linnet}/records/booking?find=okoro`, follow('Beginners’ kayak lesson'));
await shot('ahead', `${linnet}/ahead?at=2026-03-03T10`);
await shot('safeguards', `${linnet}/safeguards`);
await shot('handset', `${standins}/handsets/+447700900455`);

await browser.close();
