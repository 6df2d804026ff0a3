// Debian's Chromium as journeys, pictures and the bench drive it, and the two steps with which every one of them begins.

import { existsSync } from 'node:fs';

/** Debian's Chromium without windows takes a quarter less of a core than the one with; that will do where it is there. */
const SHELL = '/usr/bin/chromium-headless-shell';
export const CHROMIUM_PACKAGE = 'chromium-headless-shell';
const WITH_WINDOWS = '/usr/bin/chromium';
export const CHROMIUM = existsSync(SHELL) || !existsSync(WITH_WINDOWS) ? SHELL : WITH_WINDOWS;

/** No sandbox as root, no monitor, nothing asked of the network. */
export const launchOptions = {
  executablePath: CHROMIUM,
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

/** The day of every picture and journey, and the two sizes. */
export const NOW = '2026-11-24T10:00:00Z';
export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

/** Opens a page of the app on a new device and says who works on it: the page comes up behind the question. */
export async function nameDevice(page, url, name = 'Wall crew', at = '/') {
  await page.goto(`${url}${at}`);
  await page.getByLabel('Who works on this device?').fill(name);
  await page.getByRole('button', { name: 'Start' }).click();
  await page.getByRole('navigation', { name: 'Places' }).waitFor();
}
