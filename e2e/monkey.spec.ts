// Random taps, keys and Backs: whatever is done, no page fails, stands empty, says an error or leaves no way on.
// MONKEY_SEEDS="1 2 3" MONKEY_ACTIONS=1000 for more than the slice that every check takes; the seed stands in the title.
import type { Page } from '@playwright/test';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { faultsOf, watch } from './alive';
import { atBothSizes, expect, open, ROUTES, test } from './orchard';

const SEEDS = (process.env.MONKEY_SEEDS ?? '11').split(' ').map(Number);
const LOOKS = 50;
const ACTIONS = Number(process.env.MONKEY_ACTIONS ?? 500);
const KEYS = [
  'g t',
  'g r',
  'g p',
  'g c',
  'g b',
  'w',
  'u',
  'f',
  's',
  '[',
  ']',
  '?',
  'Escape',
  'Tab',
  'Enter',
  'ArrowRight',
  'Shift+ArrowLeft',
];
/** Rubbish that people type: letters where figures belong, too much, nothing, a comma, a unit. */
const TYPED = ['abc', '9999', '', '12,5', '3 ft', '-4', '0', '1990', 'c. 1990', '💧', 'x'.repeat(300)];

atBothSizes((_name, viewport, journey) => {
  for (const seed of SEEDS)
    journey('both')(`${ACTIONS} taps, keys and Backs, seed ${seed}`, async ({ page, orchard }) => {
      test.setTimeout(60_000 + ACTIONS * 1500);
      const on = watch(page);
      page.on('dialog', (dialog) => void dialog.accept());
      page.on('download', (download) => void download.cancel());
      const random = xoroshiro128plus(seed * 7919 + viewport.width);
      const below = (most: number) => uniformInt(random, 0, most - 1);
      await open(page, orchard.url);
      const done: string[] = [];
      for (let action = 0; action < ACTIONS; action++) {
        done.push(await act(page, orchard.url, below));
        const faults = await stillFaulty(page, on);
        expect(
          faults,
          `seed ${seed}, action ${action + 1}, at ${page.url()}: …${done.slice(-12).join(' · ')}`,
        ).toEqual([]);
      }
    });
});

/** A page that is being changed may be between two states; one that stays at fault is at fault. */
async function stillFaulty(page: Page, on: ReturnType<typeof watch>): Promise<string[]> {
  const found: string[] = [];
  for (let look = 0; look < LOOKS; look++) {
    const now = await faultsOf(page, on).catch(() => ['the page is being read']);
    found.push(...now.filter((fault) => /^(page error|console)/.test(fault)));
    if (found.length > 0) return found;
    if (now.length === 0) return [];
    // Most pages stand after a blink; one that does not is given four seconds
    await page.waitForTimeout(look < 10 ? 20 : 100);
    if (look === LOOKS - 1) return now;
  }
  return found;
}

/** A page load that another one overtakes, as a Back that was just pressed does, is none: the page that is there is looked at all the same. */
async function unlessOvertaken(load: Promise<unknown>): Promise<void> {
  await load.catch((error: Error) => {
    if (!error.message.includes('ERR_ABORTED')) throw error;
  });
}

async function act(page: Page, url: string, below: (most: number) => number): Promise<string> {
  const dice = below(100);
  if (dice < 8) {
    await page.goBack({ timeout: 5000 }).catch(() => null);
    // Back out of the app is no fault of it
    if (!page.url().startsWith(url)) await page.goto(`${url}/today`);
    return 'Back';
  }
  if (dice < 9) {
    await unlessOvertaken(page.reload());
    return 'reload';
  }
  if (dice < 11) {
    const route = ROUTES[below(ROUTES.length)] ?? '/today';
    await unlessOvertaken(page.goto(`${url}${route}`));
    return `address ${route}`;
  }
  if (dice < 26) {
    const key = KEYS[below(KEYS.length)] ?? 'Tab';
    for (const each of key.split(' ')) await page.keyboard.press(each);
    return `key ${key}`;
  }
  const targets = await targetsOf(page);
  const target = targets[below(Math.max(1, targets.length))];
  if (!target) return 'nothing to tap';
  await page.mouse.click(target.x, target.y);
  if (!target.typing) return `tap ${target.name}`;
  const text = TYPED[below(TYPED.length)] ?? '';
  await page.keyboard.press('Control+a');
  if (text === '') await page.keyboard.press('Delete');
  else await page.keyboard.insertText(text);
  return `type ${text.slice(0, 12)} into ${target.name}`;
}

interface Target {
  x: number;
  y: number;
  name: string;
  typing: boolean;
}

/** What a finger could hit now. Files that are saved and signing out are left alone: they end the walk. */
function targetsOf(page: Page): Promise<Target[]> {
  return page.evaluate(() => {
    const found: Target[] = [];
    const all = document.querySelectorAll(
      'a[href], button, [role=button], [role=radio], [role=checkbox], [role=tab], [role=slider], input, select, textarea, svg[role=img]',
    );
    for (const element of all) {
      const name = (element.getAttribute('aria-label') ?? element.textContent ?? '').slice(0, 40);
      const href = element.getAttribute('href') ?? '';
      if (href.startsWith('/api/') || /sign out|calendar address/i.test(name)) continue;
      const box = element.getBoundingClientRect();
      if (box.width === 0 || box.bottom < 0 || box.top > innerHeight) continue;
      const x = Math.min(innerWidth - 2, Math.max(1, box.left + box.width / 2));
      const y = Math.min(innerHeight - 2, Math.max(1, box.top + box.height / 2));
      const hit = document.elementFromPoint(x, y);
      if (!hit || !(element.contains(hit) || hit.contains(element))) continue;
      const type = element.getAttribute('type') ?? 'text';
      const typing =
        element.matches('textarea') ||
        (element.matches('input') && ['text', 'number', 'password'].includes(type));
      found.push({ x, y, name, typing });
    }
    return found;
  });
}
