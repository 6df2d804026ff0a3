// What journeys share: a server of their own on a copy of the demo orchard, and a device with a name.

import type { ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { test as base, expect, type Page } from '@playwright/test';
import { NOW, nameDevice, PHONE, WIDE } from '../scripts/browser.mjs';
import { startServer, stopServer } from '../scripts/server.mjs';

export const TEMPLATE = path.join(tmpdir(), 'mortisect-journeys');

export interface Orchard {
  url: string;
  /** Ends the server the way a machine that is switched off nicely does, and starts it again on the same port and folder. */
  restart(): Promise<void>;
  stop(): Promise<void>;
}

export const test = base.extend<{
  orchard: Orchard;
  serverEnv: Record<string, string>;
  /** Moment at which the server starts. */
  startsAt: string;
}>({
  serverEnv: [{}, { option: true }],
  startsAt: [NOW, { option: true }],
  orchard: async ({ serverEnv, startsAt }, use) => {
    const folder = mkdtempSync(path.join(tmpdir(), 'journey-'));
    cpSync(TEMPLATE, folder, { recursive: true });
    let port = '0';
    let child = null as ChildProcess | null;
    const now = clockFrom(startsAt);
    const start = async () => {
      const started = await startServer(['--demo', '--data', folder, '--port', port, '--now', now()], {
        env: serverEnv,
        quiet: true,
        // A database that lives for half a minute is not worth compiling twice: a third of the work of a start
        node: ['--liftoff-only'],
      });
      child = started.child;
      port = new URL(started.url).port;
      return started.url;
    };
    const stop = async () => {
      if (child) await stopServer(child);
      child = null;
    };
    const url = await start();
    await use({
      url,
      stop,
      restart: async () => {
        await stop();
        await start();
      },
    });
    // Nobody waits for what it is still computing
    child?.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  },
});

export { expect, NOW, PHONE, WIDE };

/** A clock that was set and runs on, for a server that is started more than once. */
export function clockFrom(moment: string): () => string {
  const aheadMs = Date.parse(moment) - Date.now();
  return () => new Date(Date.now() + aheadMs).toISOString();
}

type Size = 'phone' | 'wide';
/** Takes the journey that it is given, or leaves it to the long check. */
type Journey = (turn: Size | 'both' | 'either') => (title: string, body: Parameters<typeof test>[2]) => void;

/** The size of this turn. */
const EITHER: Size = Number(process.env.TURN ?? 1) % 2 === 0 ? 'phone' : 'wide';
/** Sizes at which a check walks a journey; `SIZES=one`: what holds at both sizes is walked at one of them, by turns. */
const sizesOf = (turn: Size | 'both' | 'either'): readonly Size[] => {
  if (process.env.LONG || (turn === 'both' && process.env.SIZES !== 'one')) return ['phone', 'wide'];
  return [turn === 'both' || turn === 'either' ? EITHER : turn];
};

/**
 * Journeys that hold at both sizes. Every check walks each of them at its turn; the long check walks all of them at both (`LONG=1`).
 */
export function atBothSizes(
  walks: (name: Size, viewport: { width: number; height: number }, journey: Journey) => void,
): void {
  for (const [name, viewport] of [
    ['phone', PHONE],
    ['wide', WIDE],
  ] as const) {
    test.describe(name, () => {
      test.use({ viewport });
      walks(name, viewport, (turn) => (sizesOf(turn).includes(name) ? test : () => undefined));
    });
  }
}

/** Every page, by an address that the demo has, and one that nothing answers to. */
export const ROUTES = [
  '/today',
  '/round',
  '/round/lee-wall-07',
  '/round/net-loft-03',
  '/round/slip-side-01/map',
  '/round/slip-side-01/edit',
  '/round/register',
  '/round/register/new',
  '/round/register/many',
  '/round/register/rows',
  '/round/register/row',
  '/round/register/import',
  '/plan',
  '/plan/season',
  '/plan/net-loft-05',
  '/plan/net-loft-05/when',
  '/cut',
  '/cut/mix',
  '/cut/kit',
  '/cut/marks',
  '/cut/skipping',
  '/book/rechecks',
  '/book/graft-wood',
  '/book',
  '/book/weather',
  '/book/import-weather',
  '/book/reference',
  '/book/settings',
  '/nowhere',
];

/** The first reckoning of the weather works through ten past years; a busy machine takes its time. */
export const RECKONED = { timeout: 45_000 };

/** Opens the app on a device that says who works on it. */
export async function open(page: Page, url: string, at = '/today'): Promise<void> {
  await nameDevice(page, url, undefined, at);
}

/** Reads the page anew. A step of the history that was still on its way, as after a sheet was closed, overtakes a reload: then it is done again. */
export async function readAnew(page: Page): Promise<void> {
  await page.reload().catch(async (error: Error) => {
    if (!error.message.includes('ERR_ABORTED')) throw error;
    await page.reload();
  });
}

export async function goTo(page: Page, place: 'Today' | 'Round' | 'Plan' | 'Cut' | 'Book'): Promise<void> {
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place }).click();
}

/** Says what a finding is: its kind, and its name where one is known. */
export async function sayKind(page: Page, kind: string, name?: string): Promise<void> {
  await page.getByRole('radio', { name: kind, exact: true }).click();
  if (name === undefined) return;
  await page.getByRole('button', { name: 'Choose what it is' }).click();
  await page
    .getByRole('dialog', { name: 'Choose what it is' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();
}

/** Says where it begins, by keys: until somebody does, its cut waits for a measure. */
export async function sayWhere(page: Page): Promise<void> {
  await page.getByRole('slider', { name: 'Starts at' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
}

/**
 * Nothing waits on the device any more, as far as the screen says. What was tapped an instant ago may not have got into the outbox yet: what
 * the server holds in the end is asked of it with `expect.poll`.
 */
export async function allSent(page: Page): Promise<void> {
  await expect(page.getByText(/\d+ to send|conflicts?: choose one/)).toHaveCount(0, {
    timeout: 45_000,
  });
}

/** Chooses the trees of a run, by what their codes begin with, looks around and starts it. */
export async function startRun(page: Page, codes: readonly RegExp[]): Promise<void> {
  await expect(page.getByText(/^\d+ cuts?, .*(good|possible|wait|no weather)/i).first()).toBeVisible(
    RECKONED,
  );
  // What stands under the trees is drawn with the last of them
  await page.getByLabel('Finish the run at').waitFor();
  for (const box of await page.getByRole('checkbox').all()) {
    const name = (await box.getAttribute('aria-label')) ?? '';
    const wanted = codes.some((code) => code.test(name));
    if (((await box.getAttribute('aria-checked')) === 'true') !== wanted) await box.click();
  }
  await page.getByRole('button', { name: 'Look around first' }).click();
  const dialog = page.getByRole('dialog', { name: 'Look around first' });
  for (const box of await dialog.getByRole('checkbox').all()) await box.click();
  await dialog.getByRole('button', { name: 'Start the run' }).click();
  await expect(dialog).toHaveCount(0);
}

const MOVES =
  /^(Blade is wet|I stand there|The ladder stands|Blade clean|Made the cut|Cut face is sound|Seen from the ground)$/;

/** The main move of the card that is due. */
export const dueMove = (page: Page) => page.getByRole('button', { name: MOVES });

/**
 * Makes the moves of the cards up to the one whose main move is named. The page's clock must be in hand (`page.clock.install`): contact times
 * are put forward.
 */
export async function runUpTo(page: Page, move: string): Promise<void> {
  for (let cards = 0; cards < 40; cards++) {
    const due = dueMove(page);
    await expect(due).toHaveCount(1);
    const name = await due.innerText();
    if (name === move) return;
    await makeMove(page, name);
  }
  throw new Error(`No card asks for “${move}”.`);
}

export async function makeMove(page: Page, name: string): Promise<void> {
  const due = page.getByRole('button', { name, exact: true });
  const before = await cardKey(page);
  if (name === 'Blade clean' && !(await due.isEnabled())) {
    await page.clock.fastForward(31_000);
    await expect(due).toBeEnabled();
  }
  if (name === 'Cut face is sound') await page.getByRole('radio', { name: 'Green, clean' }).click();
  await due.click();
  // The next card stands once what was recorded has gone to the server and back
  await expect
    .poll(async () => {
      const key = await cardKey(page);
      await page.waitForTimeout(300);
      return key !== before && key === (await cardKey(page));
    })
    .toBe(true);
}

/** Which card it is: figures on it may tick. */
async function cardKey(page: Page): Promise<string> {
  const title = await page.getByRole('heading', { level: 1 }).innerText();
  return `${title} ${(await dueMove(page).allInnerTexts()).join(' ')}`;
}

/**
 * Makes the moves that are left, counts every blade back in and closes the run.
 *
 * @returns cuts that were made
 */
export async function closeDown(page: Page): Promise<number> {
  const heading = page.getByRole('heading', { level: 1 });
  for (let cards = 0; cards < 30 && (await heading.innerText()) !== 'Close down'; cards++) {
    await expect(dueMove(page).or(page.getByText('Count the blades back in'))).toHaveCount(1);
    if (await dueMove(page).isVisible()) await makeMove(page, await dueMove(page).innerText());
  }
  const said = page.getByText(/\d+ cuts? · \d+ cleanings?/);
  await expect(said).toBeVisible();
  const made = Number(/(\d+) cuts?/.exec(await said.innerText())?.[1]);
  await expect(page.getByRole('button', { name: /^Close without \d+ blades?$/ })).toBeVisible();
  for (const box of await page.getByRole('checkbox').all()) await box.click();
  await page.getByRole('button', { name: 'Close the run' }).click();
  await expect(page.getByText('Trees in this order')).toBeVisible();
  return made;
}

/** All trees of the round are on the device before the server goes away. */
export async function readOntoDevice(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Round options', exact: true }).click();
  await page.getByRole('button', { name: 'Read all trees onto this device' }).click();
  await expect(page.getByRole('button', { name: 'Read: ready for no signal' })).toBeVisible();
  await page.keyboard.press('Escape');
}

/** Tree by tree as the queue leads; a sound tree is one tap, a finding five and a drag. */
export async function walk(page: Page, trees: ('sound' | 'found')[]): Promise<void> {
  for (const state of trees) {
    // After a reload the tree comes up a moment later
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^(Slip side|Boiler court) \d+$/);
    const code = await page.getByRole('heading', { level: 1 }).textContent();
    if (state === 'found') {
      await page.getByRole('button', { name: 'New finding' }).click();
      await sayKind(page, 'Diseased');
      await dragBy(page, page.getByRole('slider', { name: 'Ends at' }), 20, 0);
      await page.getByRole('radio', { name: 'Edge clear' }).click();
      await page.getByRole('button', { name: 'Save finding' }).click();
      await page.getByRole('button', { name: 'Done here' }).click();
    } else await page.getByRole('button', { name: /^(Mark sound|Done here)$/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(code ?? '');
    await expect(
      page.getByText(`${code} ${state === 'found' ? 'seen' : ''}`, { exact: false }).first(),
    ).toBeVisible();
  }
}

/** Drags a handle by so many pixels. */
export async function dragBy(
  page: Page,
  handle: ReturnType<Page['getByRole']>,
  right: number,
  down: number,
): Promise<void> {
  await handle.scrollIntoViewIfNeeded();
  const box = await handle.boundingBox();
  if (!box) throw new Error('The handle is not on the screen.');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + right / 2, y + down / 2, { steps: 3 });
  await page.mouse.move(x + right, y + down, { steps: 3 });
  await page.mouse.up();
}
