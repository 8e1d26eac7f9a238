import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect } from '@playwright/test';
import readQr from 'jsqr';
import { PNG } from 'pngjs';
import { clockFile, standins } from '../../playwright.config.js';

/** Sets the clock that Linnet and the stand-ins share; it stands still there. */
export function clockTo(instant) {
  // Beside it and renamed: half a file is no clock.
  writeFileSync(`${clockFile}.next`, JSON.stringify({ base: instant, since: null }));
  renameSync(`${clockFile}.next`, clockFile);
}

export async function logIn(page, who = 'mira') {
  await page.goto('/log-in');
  await page.getByLabel('Email').fill(`${who}@osierquay.example`);
  await page.getByLabel('Password').fill('boathouse');
  await page.getByRole('button', { name: 'Log in' }).click();
  await expect(page).not.toHaveURL(/log-in/);
}

/** Rings a line from somebody's handset, on the stand-ins' page, and hangs up. */
export async function ring(page, number, line = 'the front desk', how = {}) {
  await page.goto(`${standins}/handsets/${number}`);
  await page.locator('.panel [name=to]').selectOption({ label: line });
  if (how.withheld) await page.getByLabel('with the number withheld').check();
  if (how.answered) await page.getByLabel('somebody answers').check();
  if (how.told) await page.getByLabel('How Linnet is told').selectOption(how.told);
  await page.getByRole('button', { name: 'Ring, then hang up' }).click();
  await expect(page.getByRole('status')).toContainText('You');
}

export async function writeFrom(page, number, text, line = null) {
  await page.goto(`${standins}/handsets/${number}`);
  await page.getByLabel('Write a text').fill(text);
  // Else to the line that wrote last, which may be another rule's.
  if (line !== null) await page.getByLabel('To which line').selectOption({ label: line });
  await page.getByRole('button', { name: 'Send' }).click();
}

export async function handsetOf(page, number) {
  await page.goto(`${standins}/handsets/${number}`);
  return page.locator('#texts');
}

/** Opens the words of a text; a click on a page that is not painted yet may be lost, so it is clicked until they are open. */
export async function changeWords(page) {
  const editor = page.locator('.cm-content').first();
  await expect(async () => {
    const button = page.getByRole('button', { name: 'Change the words' }).first();
    if (!(await editor.isVisible())) await button.click({ timeout: 5_000 });
    await expect(editor).toBeFocused({ timeout: 5_000 });
  }).toPass({ timeout: 120_000 });
}

/** Opens a person's page by way of the list. */
export async function openPerson(page, find, name) {
  await page.goto(`/people?find=${encodeURIComponent(find)}`);
  await page.getByRole('link', { name }).click();
}

/** By keyboard: a page that is not painted yet drops a key, so it is pressed until the other page is there. */
export async function follow(page, link, path) {
  await expect(async () => {
    if (!path.test(page.url())) await link.press('Enter', { timeout: 5_000 });
    await page.waitForURL(path, { timeout: 5_000 });
  }).toPass({ timeout: 120_000 });
}

/** Until a page that does not refresh by itself shows something. */
export async function reloadUntil(page, locator) {
  await expect(async () => {
    await page.reload();
    await expect(locator()).toBeVisible({ timeout: 2_000 });
  }).toPass({ timeout: 120_000 });
}

const everyRule = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** Of what stands beside one another and is built alike, with the same classes throughout, all but two are marked. */
function markAlike() {
  const built = (one) => `${one.tagName}.${one.className?.baseVal ?? one.className}(${[...one.children].map(built)})`;
  document.querySelectorAll('body *').forEach((parent) => {
    const many = {};
    if (parent.children.length > 2)
      [...parent.children].forEach((child) => {
        const key = built(child);
        many[key] = (many[key] ?? 0) + 1;
        child.toggleAttribute('data-alike', many[key] > 2);
      });
  });
}

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

// Built alike on every page: looked at on the first that has it.
const frame = ['.rail', '#keys'];
let isFrameSeen = false;

/** By the automatic rules of WCAG 2.2 AA, in the light theme; the dark one differs in nothing but colour. */
export async function expectAccessible(page) {
  const exclude = ['[data-alike]', ...(isFrameSeen ? frame : [])];
  isFrameSeen ||= (await page.locator('#keys').count()) > 0;
  await page.evaluate(markAlike);
  await page.evaluate(axe);
  const broken = (rules) =>
    page.evaluate(
      async ([runOnly, exclude]) => {
        // No rule asks what stands in the style sheets themselves.
        const how = { runOnly, resultTypes: ['violations'], preload: { assets: ['media'] } };
        const told = await window.axe.run({ exclude }, how);
        return told.violations.map((rule) => `${rule.id}: ${rule.nodes.map((node) => node.target).join(' ')}`);
      },
      [rules, exclude],
    );
  const found = await broken(everyRule);
  await page.emulateMedia({ colorScheme: 'dark' });
  found.push(...(await broken(['color-contrast'])));
  await page.emulateMedia({ colorScheme: 'light' });
  expect(found).toEqual([]);
}

/** What a QR code says, by somebody else's reader, from its picture. */
export async function readCode(code) {
  await expect(code).toBeVisible();
  const picture = PNG.sync.read(await code.screenshot());
  const read = readQr.default ?? readQr;
  return read(new Uint8ClampedArray(picture.data), picture.width, picture.height)?.data;
}
