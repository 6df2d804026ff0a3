// A phone in the field, on a network of its own: it trusts the server by the page of steps, is installed, works an hour without signal, and brings everything home.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type BrowserContext, chromium, expect, test } from '@playwright/test';
import { launchOptions, PHONE } from '../../scripts/browser.mjs';
import { allSent, goTo, readAnew, readOntoDevice, sayKind, sayWhere } from '../orchard';

const { FIELD_URL: url = '', FIELD_LINK: link = '', FIELD_PASSPHRASE: passphrase = '' } = process.env;
const AWAY_MS = 90_000;
const HOUR_MS = 3_600_000;

/** A browser profile with a store of certificates of its own. */
async function profile(home: string): Promise<BrowserContext> {
  return chromium.launchPersistentContext(path.join(home, 'profile'), {
    ...launchOptions,
    // The whole browser: the one without windows cannot install an app
    executablePath: '/usr/bin/chromium',
    args: [...launchOptions.args, '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
    env: { ...process.env, HOME: home },
    viewport: PHONE,
    serviceWorkers: 'allow',
  });
}

const setLink = (is: 'up' | 'down') => execFileSync('ip', ['link', 'set', link, is]);

test('trusted, installed, an hour without signal, and all of it home again', async () => {
  test.setTimeout(420_000);
  const home = mkdtempSync(path.join(tmpdir(), 'phone-'));
  const store = `sql:${path.join(home, '.pki/nssdb')}`;
  execFileSync('mkdir', ['-p', path.join(home, '.pki/nssdb')]);
  execFileSync('certutil', ['-d', store, '-N', '--empty-password']);
  let context = await profile(home);
  try {
    const plain = url.replace('https:', 'http:');
    // On a page of its own: the error that the browser shows may come late, over what is opened next
    const refused = await context.newPage();
    await expect(refused.goto(url)).rejects.toThrow('ERR_CERT_AUTHORITY_INVALID');
    let page = await context.newPage();
    await refused.close();
    await page.goto(`${plain}/trust`);
    await expect(page.getByAltText('Not yet: this phone does not trust the server.')).toBeVisible();
    const isShown = () =>
      page.locator('.sign img').evaluate((image) => (image as HTMLImageElement).naturalWidth > 0);
    expect(await isShown()).toBe(false);
    const certificate = await page.request.get(`${plain}/trust/authority.crt`);
    writeFileSync(path.join(home, 'authority.crt'), await certificate.body());
    await context.close();

    execFileSync('certutil', [
      '-d',
      store,
      '-A',
      '-t',
      'C,,',
      '-n',
      'Mortisect',
      '-i',
      path.join(home, 'authority.crt'),
    ]);
    context = await profile(home);
    page = await context.newPage();
    await page.clock.install();
    await page.goto(`${plain}/trust`);
    await expect.poll(isShown).toBe(true);
    // Plain HTTP leads to the safe address
    await page.goto(`${plain}/round`);
    expect(page.url()).toBe(`${url}/round`);
    await page.getByLabel('Passphrase of the site').fill(passphrase);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByLabel('Who works on this device?').fill('Boat crew');
    await page.getByRole('button', { name: 'Start' }).click();
    await page.getByRole('navigation', { name: 'Places' }).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready);
    const can = await page.evaluate(async () => {
      const stream = await navigator.mediaDevices.getUserMedia({ video: true });
      const cameras = stream.getVideoTracks().length;
      for (const track of stream.getTracks()) track.stop();
      return {
        isSecureContext,
        cameras,
        sensors: 'DeviceOrientationEvent' in window && 'Accelerometer' in window,
      };
    });
    expect(can).toEqual({ isSecureContext: true, cameras: 1, sensors: true });
    const cdp = await context.newCDPSession(page);
    const { installabilityErrors } = await cdp.send('Page.getInstallabilityErrors');
    expect(installabilityErrors).toEqual([]);

    await goTo(page, 'Round');
    await page.getByRole('button', { name: 'Continue the round' }).click();
    await readOntoDevice(page);
    // A sheet that closes takes its step of the history back, and overtakes what is opened meanwhile
    const open = () => page.goto(`${url}/round/slip-side-06`);
    await open().catch(open);
    await page.getByRole('button', { name: 'New finding' }).waitFor();

    setLink('down');
    const since = Date.now();
    await page.clock.fastForward(HOUR_MS);
    await readAnew(page);
    await page.getByRole('button', { name: 'New finding' }).click();
    await sayKind(page, 'Dead', 'Dead wood');
    await sayWhere(page);
    await page.getByRole('button', { name: 'Save finding' }).click();
    await expect(page.getByText('1 to send')).toBeAttached();
    for (const place of ['Today', 'Plan', 'Cut', 'Book', 'Round'] as const) {
      await goTo(page, place);
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    }
    await page.waitForTimeout(Math.max(0, AWAY_MS - (Date.now() - since)));
    await readAnew(page);
    await expect(page.getByText('1 to send')).toBeAttached();

    setLink('up');
    await allSent(page);
    // Asked by the page: it is the browser that trusts the server
    const kept = await page.evaluate(async () => (await fetch('/api/trees/slip-side-06')).json());
    expect(kept.findings.filter(({ by }: { by: string }) => by === 'Boat crew')).toHaveLength(1);
  } finally {
    await context.close();
    rmSync(home, { recursive: true, force: true });
  }
});
