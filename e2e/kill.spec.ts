// A phone that dies and a server that is pulled out of the wall, at every step of a run: the card that was due is due again.
import type { ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type BrowserContext, chromium, expect, type Page, test } from '@playwright/test';
import { launchOptions, NOW, nameDevice, PHONE } from '../scripts/browser.mjs';
import { startServer } from '../scripts/server.mjs';
import { clockFrom, dueMove, makeMove, startRun, TEMPLATE } from './orchard';

test('the run and its blades outlive kill -9 of server and browser at every step', async () => {
  test.setTimeout(420_000);
  const phone = new Phone();
  const server = new Server();
  try {
    await server.start();
    let page = await phone.start();
    await nameDevice(page, server.url);
    await page.goto(`${server.url}/cut`);
    await startRun(page, [/Lee wall 07/]);
    const moves: string[] = [];
    for (;;) {
      const before = await cardOf(page);
      // Both at once, with whatever has not been sent still on the phone
      server.kill();
      await phone.kill();
      await server.start();
      page = await phone.start();
      await page.goto(`${server.url}/cut`);
      await expect.poll(() => cardOf(page), { timeout: 60_000 }).toEqual(before);
      if (before.move === '') break;
      moves.push(before.move);
      // The contact time is waited for: a clock put forward would run behind itself on the next start
      if (before.move === 'Blade clean') await expect(dueMove(page)).toBeEnabled({ timeout: 40_000 });
      await makeMove(page, before.move);
    }
    expect(moves).toEqual([
      'Blade is wet',
      'I stand there',
      'Blade clean',
      'Made the cut',
      'Cut face is sound',
    ]);
    await expect(page.getByText(/1 cut · 1 cleaning/)).toBeVisible();
    await expect(page.getByText(/Met Fire blight canker, active/)).toBeVisible();
    // Each step is in the log once
    const { entries } = await (await page.request.get(`${server.url}/api/log?limit=200`)).json();
    const today = entries
      .filter(({ at }: { at: string }) => at >= NOW)
      .map(({ entry }: { entry: { action?: { kind: string } } }) => entry.action?.kind)
      .reverse();
    expect(today).toEqual([
      'runStarted',
      'bladeWetted',
      'stationTaken',
      'bladeCleaned',
      'cutMade',
      'woodRead',
    ]);
  } finally {
    await phone.kill();
    server.kill();
    for (const folder of [phone.folder, server.folder]) rmSync(folder, { recursive: true, force: true });
  }
});

/** The card that is due: its title, the state of the blade, and its main move; none at the close-down. */
async function cardOf(page: Page): Promise<{ title: string; blade: string; move: string }> {
  const heading = page.getByRole('heading', { level: 1 });
  const closing = page.getByText('Count the blades back in');
  await expect(dueMove(page).or(closing)).toHaveCount(1, { timeout: 60_000 });
  const strip = page.getByRole('button', { name: /^Blade: / });
  return {
    title: await heading.innerText(),
    blade: (await strip.count()) > 0 ? ((await strip.getAttribute('aria-label')) ?? '') : '',
    move: (await closing.isVisible()) ? '' : await dueMove(page).innerText(),
  };
}

class Server {
  readonly folder = mkdtempSync(path.join(tmpdir(), 'kill-server-'));
  url = '';
  private child: ChildProcess | null = null;
  private port = '0';
  private readonly now = clockFrom(NOW);

  constructor() {
    cpSync(TEMPLATE, this.folder, { recursive: true });
  }

  async start(): Promise<void> {
    const started = await startServer(
      ['--demo', '--data', this.folder, '--port', this.port, '--now', this.now()],
      {
        quiet: true,
      },
    );
    this.child = started.child;
    this.url = started.url;
    this.port = new URL(started.url).port;
  }

  kill(): void {
    this.child?.kill('SIGKILL');
    this.child = null;
  }
}

class Phone {
  readonly folder = mkdtempSync(path.join(tmpdir(), 'kill-phone-'));
  private context: BrowserContext | null = null;

  async start(): Promise<Page> {
    this.context = await chromium.launchPersistentContext(this.folder, {
      ...launchOptions,
      viewport: PHONE,
      serviceWorkers: 'block',
    });
    return this.context.pages()[0] ?? (await this.context.newPage());
  }

  /** Every process of this browser, by the folder it was started with. */
  async kill(): Promise<void> {
    if (!this.context) return;
    const closed = this.context.waitForEvent('close', { timeout: 10_000 });
    for (const pid of processesWith(this.folder)) {
      try {
        process.kill(pid, 'SIGKILL');
      } catch {
        // Gone with its parent
      }
    }
    await closed;
    this.context = null;
    // What a browser leaves behind that was not allowed to close
    for (const lock of ['SingletonLock', 'SingletonCookie', 'SingletonSocket'])
      rmSync(path.join(this.folder, lock), { force: true });
  }
}

function processesWith(word: string): number[] {
  return readdirSync('/proc').flatMap((pid) => {
    if (!/^\d+$/.test(pid) || Number(pid) === process.pid) return [];
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word) ? [Number(pid)] : [];
    } catch {
      return [];
    }
  });
}
