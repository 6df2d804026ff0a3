// What stands round a run, before a server: the mix, the blades, the marks, what skipping costs.
import '../../workers/importMeta';
import { treeView } from '@mortisect/core/present';
import type { ActionBody } from '@mortisect/core/records';
import { runOf, workOf } from '@mortisect/core/run';
import { listedTreesOf, today } from '@mortisect/core/testing';
import { configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { allSent, at, buttons, field, findButton, press, show, went, write } from '../../testing/here';
import { detail, did, finding } from '../../testing/orchard';
import { Before } from './Before';
import { Kit } from './Kit';
import { Marks } from './Marks';
import { Mix } from './Mix';
import { Skipping } from './Skipping';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
configure({ defaultHidden: true });

const CANKER = '0193f000-0000-7000-8000-000000000011';
const orchard = (actions: Parameters<typeof did>[0][] = []) =>
  new FakeServer(
    [detail([finding(CANKER, 'S', 'FB_CANK_A')])],
    actions.map((action, i) => ({ ...did(action), id: `0193f000-0000-7000-8000-0000000001${10 + i}` })),
  );
const last = <K extends ActionBody['kind']>(server: FakeServer, kind: K) =>
  server.actions.findLast(({ action }) => action.kind === kind)?.action as Extract<ActionBody, { kind: K }>;

async function come(
  page: React.ReactElement,
  button: string | RegExp,
  server = orchard(),
): Promise<FakeServer> {
  at.path = '/cut/mix';
  show(page, server);
  await findButton(button);
  return server;
}
const choose = (label: string, value: string) => fireEvent.change(field(label), { target: { value } });

describe('the mix', () => {
  test('bleach of 5.25 % and nine parts of water are 5,250 ppm, and are recorded so', async () => {
    const server = await come(<Mix />, 'Record the mix');
    choose('Agent', 'hypochlorite-10');
    write('Litres wanted, L', '2');
    expect(document.body.textContent).toMatch(/200 mL/);
    // 177.4 + 14.8 + 7.4 mL: a fifth of a percent off, which no cup shows
    expect(screen.getByText('About ¾ cup + 1 tbsp + 1½ tsp (US).')).toBeTruthy();
    press('Record the mix');
    await allSent();
    // 5.25 % = 52,500 ppm in ten parts
    expect(last(server, 'mixMade')).toMatchObject({ agentId: 'hypochlorite-10', litres: 2, strength: 5250 });
  });

  test.each([
    ['0.04', true],
    ['0.05', false],
    ['100', false],
    ['101', true],
  ])('%s L: refused %s', async (litres, isRefused) => {
    await come(<Mix />, 'Record the mix');
    write('Litres wanted, L', litres);
    expect(field('Litres wanted, L').getAttribute('aria-invalid')).toBe(String(isRefused));
  });

  test('what does not disinfect says so, and cannot be mixed as if it did', async () => {
    await come(<Mix />, 'Record the mix');
    const options = [...field<HTMLSelectElement>('Agent').options];
    const other = options.find(({ text }) => text.includes('does not disinfect'));
    choose('Agent', other?.value ?? '');
    expect(screen.getByText('This does not disinfect')).toBeTruthy();
    expect(buttons('Record the mix')[0]?.disabled).toBe(true);
  });
});

describe('the blades', () => {
  test('each says what it did, when it was cleaned, and how many cuts it made since it was sharpened', async () => {
    const server = await come(
      <Kit />,
      'Back to the run',
      orchard([
        { kind: 'bladeCleaned', at: '2026-11-24T08:00:00Z', blade: 'hand-saw-1', agentId: 'alcohol-70' },
      ]),
    );
    await waitFor(() => expect(document.body.textContent).toMatch(/No cleaning on record/));
    const [first] = buttons(/^Sharpened: /);
    fireEvent.click(first as HTMLElement);
    await allSent();
    const blade = first?.getAttribute('aria-label')?.replace('Sharpened: ', '');
    expect(last(server, 'bladeSharpened').blade).toBeTruthy();
    await waitFor(() =>
      expect(document.body.textContent).toMatch(
        /Sharpened .* ago|Sharpened now|Sharpened just now|Sharpened .*, 0 cuts since/,
      ),
    );
    expect(blade).not.toBe('');
    press('Back to the run');
    expect(went.at(-1)).toEqual(['navigate', '/cut']);
  });
});

test.each([
  [2000, true],
  [2001, false],
])('%i trees before a run: may it be started? %s', async (count, starts) => {
  const work = workOf(listedTreesOf([treeView(detail([finding(CANKER, 'S', 'FB_CANK_A')]), today)], today));
  const run = runOf({ work, actions: [], today });
  const [stop] = run.stops;
  if (!stop) throw new Error('It is to be cut.');
  const stops = Array.from({ length: count }, (_, i) => ({ ...stop, tree: { ...stop.tree, id: `t${i}` } }));
  const here = { ...{ run: { ...run, stops }, today, actions: [] }, planned: true, ordered: true };
  const server = orchard();
  show(<Before here={here} />, server);
  const button = (await findButton('Look around first')) as HTMLButtonElement;
  expect(button.disabled).toBe(!starts);
  expect(
    screen.queryAllByText(
      'A run takes 2,000 trees at most. Take some out, and cut them in a run of their own.',
    ),
  ).toHaveLength(starts ? 0 : 1);
});

describe('marks on limbs', () => {
  test.each([
    ['tape', /^Tape on /],
    ['chalk', /^Chalk on /],
  ] as const)('with %s: recorded with the limb, and ticked off on the list', async (how, button) => {
    const server = await come(<Marks />, button);
    press(button);
    await allSent();
    expect(last(server, 'limbMarked')).toMatchObject({ treeId: 'a', limbId: 'S', how });
    await waitFor(() => expect(document.body.textContent).toMatch(`✓ Marked with ${how}`));
    expect(screen.getByText('1 of 1')).toBeTruthy();
  });

  test('with nothing to cut there is nothing to mark', async () => {
    at.path = '/cut/marks';
    show(<Marks />, new FakeServer([detail([])]));
    await screen.findByText('No cut waits, so no limb is marked.');
  });
});

describe('what skipping costs', () => {
  test('each way of cleaning stands with its range, its cleanings and its minutes, and thin evidence is called so', async () => {
    const two = [finding(CANKER, 'S', 'FB_CANK_A'), finding(`${CANKER.slice(0, -1)}2`, 'R', 'DEAD')];
    await come(<Skipping />, 'Back to the run', new FakeServer([detail(two)]));
    await screen.findByText('New infections to expect');
    for (const way of ['Never', 'Between trees', 'Before every cut', 'Every cut, two blades in turn'])
      expect(document.body.textContent).toContain(way);
    expect(screen.getByText('The evidence is thin')).toBeTruthy();
    expect(document.body.textContent).toMatch(/2 cleanings, \d+ min; of 100 such runs/);
  });

  test('a contact time that cannot be is refused', async () => {
    await come(<Skipping />, 'Back to the run');
    for (const [seconds, bad] of [
      ['-1', 'true'],
      ['0', 'false'],
      ['1800', 'false'],
      ['1801', 'true'],
    ] as const) {
      write('Kept wet for, s', seconds);
      expect(field('Kept wet for, s').getAttribute('aria-invalid')).toBe(bad);
    }
  });
});
