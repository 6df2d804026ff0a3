// What no page may ever do, whatever was tapped: fail, say an error, say a key for words, stand empty, or leave no way on.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, type Page } from '@playwright/test';

export interface Watch {
  /** Faults since the last look, oldest first. */
  faults: string[];
}

/** A server that is stopped on purpose, and a record that changed meanwhile, are no faults of the page. */
const EXPECTED =
  /Failed to load resource: (net::ERR_|the server responded with a status of (404|409|422|400))/;

export function watch(page: Page): Watch {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(`page error: ${error.message.slice(0, 300)}`));
  page.on('console', (message) => {
    if (message.type() === 'error' && !EXPECTED.test(message.text()))
      faults.push(`console: ${message.text().slice(0, 300)}`);
  });
  return { faults };
}

/** What the core calls the texts of its tables: nobody may read that. */
const KEYS = Object.keys(
  JSON.parse(readFileSync(fileURLToPath(new URL('../words/en/tables.json', import.meta.url)), 'utf8')),
).filter((key) => /^[a-z]+[A-Z]\w*$/.test(key));

/** What is wrong with the page as it stands; empty when a person could go on. */
export async function faultsOf(page: Page, { faults }: Watch): Promise<string[]> {
  const seen = await page.evaluate((keys) => {
    const dialog = document.querySelector('[role=dialog]');
    const main = document.querySelector('main');
    const said: string[] = [];
    if (!dialog && !main) said.push('no main part');
    if (!dialog && main && (main.textContent ?? '').trim().length < 4) said.push('an empty page');
    if ((main?.textContent ?? '').includes('This page could not be shown')) said.push('a page that failed');
    const ways = (dialog ?? document).querySelectorAll('a[href], button:not([disabled])');
    if (ways.length === 0) said.push('a dead end');
    const untold = document.body.innerText.match(/\b[a-z]+[A-Z]\w*/g) ?? [];
    for (const word of untold) if (keys.includes(word)) said.push(`“${word}” in place of words`);
    return said;
  }, KEYS);
  return [...faults.splice(0), ...seen];
}

export async function expectAlive(page: Page, on: Watch, where: string): Promise<void> {
  await expect.poll(() => faultsOf(page, on), { message: where, intervals: [30, 60, 120, 250] }).toEqual([]);
}
