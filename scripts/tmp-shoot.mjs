import { chromium } from '@playwright/test';
import { launchOptions, nameDevice, PHONE, WIDE } from './browser.mjs';
const url = 'http://127.0.0.1:4100';
const browser = await chromium.launch(launchOptions);
const first = await browser.newContext({ serviceWorkers: 'block' });
await nameDevice(await first.newPage(), url);
const state = await first.storageState();
const shots = JSON.parse(process.argv[2]);
for (const s of shots) {
  const c = await browser.newContext({ viewport: s.wide ? WIDE : PHONE, storageState: state, serviceWorkers: 'block', colorScheme: s.dark ? 'dark' : 'light', reducedMotion: 'reduce' });
  const p = await c.newPage();
  p.on('console', (m) => m.type() === 'error' && console.log('console', m.text().slice(0, 300)));
  p.on('pageerror', (e) => console.log('pageerror', String(e).slice(0, 400)));
  await p.goto(url + s.route);
  await p.getByRole('main').first().waitFor();
  await p.waitForTimeout(s.wait ?? 2500);
  for (const a of s.do ?? []) { if (a.role) await p.getByRole(a.role, { name: new RegExp(a.name) }).first().click(); if (a.wait) await p.waitForTimeout(a.wait); }
  if (s.scroll) await p.evaluate((y) => { for (const e of document.querySelectorAll('*')) if (e.scrollHeight > e.clientHeight + 40 && getComputedStyle(e).overflowY === 'auto' && e.clientWidth > 300) e.scrollTop = y; }, s.scroll);
  await p.waitForTimeout(400);
  await p.screenshot({ path: `/tmp/shot-${s.name}.png` });
  await c.close();
}
await browser.close();
