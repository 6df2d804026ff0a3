// Screens on a stage of their own: the product's queries over a fake server, workers that work where they are, a router that only listens.
import { act, cleanup, fireEvent, render, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { nextMoment } from '../data/moment';
import { openOutbox, useOutbox } from '../data/outbox';
import { usePreferences } from '../data/preferences';
import { askSession, queryClient } from '../data/queryClient';
import { takeOver } from '../data/takeOver';
import type { FakeServer } from './fakeServer';
import { NOW, Stage } from './orchard';

/** What the page asked the router for, oldest first: `['navigate', '/plan']`. */
export const went: [how: string, where: unknown][] = [];
/** Address and parameters that the page is shown at. */
export const at: { path: string; params: Record<string, string>; first: boolean } = {
  path: '/',
  params: {},
  // Nothing lies behind it
  first: false,
};

/** `jest.mock('expo-router', () => require('…/testing/here').router)` */
export const router = {
  useRouter: () => ROUTER,
  usePathname: () => at.path,
  useLocalSearchParams: () => at.params,
  useGlobalSearchParams: () => at.params,
  Link: ({
    href,
    children,
    style: _style,
    ...rest
  }: {
    href: unknown;
    children: ReactElement;
    style?: unknown;
  }) => (
    <a href={typeof href === 'string' ? href : JSON.stringify(href)} {...rest}>
      {children}
    </a>
  ),
};
const go = (how: string) => (where?: unknown) => void went.push([how, where]);
const ROUTER = {
  navigate: go('navigate'),
  replace: go('replace'),
  push: go('push'),
  back: go('back'),
  canGoBack: () => !at.first,
};

let exposed: object = {};
/** `jest.mock('comlink', () => require('…/testing/here').comlink)`: what a worker exposes is called on this thread. */
export const comlink = {
  expose: (work: object) => {
    exposed = work;
  },
  wrap: ({ work }: { work: object }) => work,
  proxy: (tell: unknown) => tell,
};

const WORKERS: Record<string, () => void> = {
  'plan.worker': () => jest.isolateModules(() => require('../workers/plan.worker')),
  'order.worker': () => jest.isolateModules(() => require('../workers/order.worker')),
  'openness.worker': () => jest.isolateModules(() => require('../workers/openness.worker')),
  'transmission.worker': () => jest.isolateModules(() => require('../workers/transmission.worker')),
};

class WorkerHere {
  readonly work: object;
  constructor(url: URL) {
    const name = /workers\/([\w.]+)$/.exec(String(url))?.[1] ?? '';
    WORKERS[name]?.();
    this.work = exposed;
  }
}

let opened = false;

/** Puts a screen before the server, on a phone or a wide window. */
export function show(page: ReactElement, server: FakeServer, { wide = false } = {}) {
  cleanup();
  Object.assign(globalThis, { Worker: WorkerHere });
  server.install();
  went.length = 0;
  queryClient.clear();
  useOutbox.setState({ items: [], sending: false, away: false });
  usePreferences.setState({ person: 'Wall crew' });
  // The day of the orchard, not that of the machine
  queryClient.setQueryData(['health'], {
    ok: true,
    demo: false,
    app: null,
    clockSet: true,
    aheadMs: Date.parse(NOW) - Date.now(),
  });
  window.matchMedia = (query) => ({
    ...NO_MEDIA,
    matches: wide && query.includes('min-width'),
    media: query,
  });
  if (!opened) void openOutbox(takeOver, askSession);
  opened = true;
  return render(page, { wrapper: ({ children }) => <Stage client={queryClient}>{children}</Stage> });
}

/** The orchard's clock as the page that is shown goes by it, ISO. */
export const clock = (): string =>
  nextMoment(queryClient.getQueryData<{ aheadMs: number }>(['health'])?.aheadMs);

const NO_MEDIA = {
  onchange: null,
  addListener() {},
  removeListener() {},
  addEventListener() {},
  removeEventListener() {},
  dispatchEvent: () => false,
};

/** What was just tapped is in the outbox by then, however slow the machine. */
const QUIET_LOOKS = 4;

/** Until what was written here has reached the server. */
export async function allSent(): Promise<void> {
  await act(async () => {
    let quiet = 0;
    for (let tries = 0; tries < 300; tries++) {
      await new Promise((resolve) => setTimeout(resolve, 10));
      const { items, sending } = useOutbox.getState();
      quiet = items.length === 0 && !sending ? quiet + 1 : 0;
      if (quiet === QUIET_LOOKS) return;
    }
    throw new Error('Something still waits on the device.');
  });
}

/** Buttons of the page by name, without asking for the role of everything on it: that is most of the time a test takes. */
export function buttons(name: string | RegExp): HTMLButtonElement[] {
  return [...document.querySelectorAll('button')].filter((button) => {
    const said = button.getAttribute('aria-label') ?? button.textContent ?? '';
    return typeof name === 'string' ? said === name : name.test(said);
  });
}

export async function findButton(name: string | RegExp): Promise<HTMLButtonElement> {
  return waitFor(() => {
    const [found] = buttons(name);
    if (!found) throw new Error(`There is no button ${name}.`);
    return found;
  });
}

/** Presses the one button of that name; a second one, or none, is a fault. */
export function press(name: string | RegExp): void {
  const [found, ...more] = buttons(name);
  if (!found || more.length > 0) throw new Error(`${more.length + (found ? 1 : 0)} buttons ${name}.`);
  fireEvent.click(found);
}

const FIELDS = 'input[aria-label], select[aria-label], textarea[aria-label]';

/** The one field of that label, found without asking everything on the page for its label. */
export function field<T extends HTMLElement = HTMLInputElement>(label: string | RegExp): T {
  const is = (said: string | null) => (typeof label === 'string' ? said === label : label.test(said ?? ''));
  const [found, ...more] = [
    ...[...document.querySelectorAll('label')].flatMap((found) =>
      is(found.textContent) ? [found.control] : [],
    ),
    ...[...document.querySelectorAll(FIELDS)].filter((element) => is(element.getAttribute('aria-label'))),
  ] as T[];
  if (!found || more.length > 0) throw new Error(`${more.length + (found ? 1 : 0)} fields ${label}.`);
  return found;
}

export const findField = (label: string | RegExp) => waitFor(() => field(label));

/** Writes into the field of that label, whatever stood in it. */
export function write(label: string | RegExp, text: string): void {
  fireEvent.change(field(label), { target: { value: text } });
}
