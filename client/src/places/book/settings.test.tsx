// Settings before a server: every figure within its bounds, lists that grow and shrink, and what of it is saved.
import '../../workers/importMeta';
import { thresholds } from '@mortisect/core/faults';
import { LIFT_NEVER_ABOVE_KG } from '@mortisect/core/handling';
import { weights } from '@mortisect/core/plan';
import { gear as allGear, type Site } from '@mortisect/core/records';
import { climateAt } from '@mortisect/core/weather';
import { english } from '@mortisect/words/all';
import { told } from '@mortisect/words/trade';
import { configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { FakeServer, refused } from '../../testing/fakeServer';
import { at, buttons, field, findButton, findField, press, show, write } from '../../testing/here';
import { detail, finding } from '../../testing/orchard';
import { Settings } from './Settings';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

async function come(change: Partial<Site> = {}): Promise<FakeServer> {
  const server = new FakeServer([detail([])]);
  server.site = { ...server.site, site: { ...server.site.site, ...change } };
  at.path = '/book/settings';
  show(<Settings />, server);
  await findField('Latitude, °');
  return server;
}

/** Saves the page; what the server was given. */
async function saved(server: FakeServer): Promise<Site> {
  press('Save site');
  await findButton('Saved');
  return server.bodies<{ site: Site }>('putSite').at(-1)?.site as Site;
}

const isRefused = (label: string, text: string): boolean => {
  write(label, text);
  return field(label).getAttribute('aria-invalid') === 'true';
};
const choose = (label: string, value: string) => fireEvent.change(field(label), { target: { value } });
const labelOf = ({ label, unit }: { label: string; unit: string }) =>
  unit ? `${told(english, label)}, ${unit}` : told(english, label);

// Each bound of each setting: core/src/records/settings.test.ts
test('a limit of shape and a weight of the plan are folded away, asked for with where they start, and saved', async () => {
  const server = await come();
  const [limit] = thresholds;
  const [weight] = weights;
  if (!limit || !weight) throw new Error('There is nothing to set.');
  expect(screen.queryByLabelText(labelOf(limit))).toBeNull();
  press(`Limits of shape (${thresholds.length})`);
  press(`What the plan weighs (${weights.length})`);
  expect(document.body.textContent).toContain(`Starts at ${limit.start} ${limit.unit}.`);
  expect(isRefused(labelOf(limit), String(limit.most + 0.1))).toBe(true);
  write(labelOf(limit), String(limit.most));
  write(labelOf({ ...weight, unit: '' }), String(weight.most / 2).replace('.', ','));
  write('A minute of work', '0.3');
  const { limits, plan } = await saved(server);
  expect(limits).toMatchObject({ [limit.key]: limit.most });
  expect(plan.weights[weight.key]).toBeCloseTo(weight.most / 2, 9);
  expect(plan.costs.minute).toBe(0.3);
});

test('a clearance and what else stands among the schools are both saved, whichever came first', async () => {
  const server = await come();
  const [clearance] = screen.getAllByLabelText(
    /^Clearance: Fire blight canker, active/,
  ) as HTMLSelectElement[];
  if (!clearance) throw new Error('No clearance is asked for.');
  const other = [...clearance.options].find(({ value }) => value !== clearance.value)?.value as string;
  choose('Finish of a collar cut', 'stub');
  fireEvent.change(clearance, { target: { value: other } });
  choose('When the blade is cleaned', 'season');
  choose('Face of a cut', 'square');
  choose('On a fresh wound', 'spray');
  const { schools } = await saved(server);
  expect(schools).toMatchObject({
    ...{ finish: 'stub', cleaning: 'season', slope: 'square', dressing: 'spray' },
    clearance: { FB_CANK_A: other },
  });
});

// Waters et al. 1993: 23 kg is the constant of the lifting equation
test('no piece is planned above what one may lift', async () => {
  const server = await come();
  expect(LIFT_NEVER_ABOVE_KG).toBe(23);
  expect(isRefused('One piece weighs at most, kg', '23.1')).toBe(true);
  expect(isRefused('One piece weighs at most, kg', '4.9')).toBe(true);
  expect(isRefused('One piece weighs at most, kg', '5')).toBe(false);
  expect(isRefused('One piece weighs at most, kg', '23')).toBe(false);
  expect((await saved(server)).plan.liftKg).toBe(23);
});

test('a tool is added under an id of its own, changed, and taken off', async () => {
  const server = await come();
  const before = server.site.site.plan.kit;
  press('Add a tool');
  press('Add a tool');
  await waitFor(() => expect(screen.getAllByRole('group', { name: 'Tool: New saw' })).toHaveLength(2));
  fireEvent.click(buttons('Remove New saw')[0] as HTMLElement);
  const [first] = before;
  fireEvent.click(buttons(`Remove ${first?.name}`)[0] as HTMLElement);
  const { kit } = (await saved(server)).plan;
  expect(kit.map(({ id }) => id)).not.toContain(first?.id);
  expect(kit).toHaveLength(before.length);
  expect(new Set(kit.map(({ id }) => id)).size).toBe(kit.length);
  expect(kit.at(-1)).toMatchObject({ name: 'New saw', kind: 'hand saw' });
});

describe('what this site knows of its surroundings', () => {
  test('hosts of blight are named with their place, and removed', async () => {
    const server = await come({ blightHosts: [{ name: 'Rowan', where: '' }] } as Partial<Site>);
    expect(buttons('Add host')[0]?.disabled).toBe(true);
    write('Host', '  ');
    expect(buttons('Add host')[0]?.disabled).toBe(true);
    write('Host', ' Hawthorn ');
    write('Where it stands', ' along the lane ');
    press('Add host');
    await findButton('Remove Hawthorn, along the lane');
    expect(field('Host').value).toBe('');
    press('Remove Rowan');
    expect((await saved(server)).blightHosts).toEqual([{ name: 'Hawthorn', where: 'along the lane' }]);
  });

  test('the law does not tell forms of fire blight apart: one of them reported is all of them; another disorder is itself', async () => {
    const server = await come({ notifiable: [] } as Partial<Site>);
    expect(buttons('Add rule')[0]?.disabled).toBe(true);
    write('Report to', 'Plant health of the test');
    press('Add rule');
    await findButton('Remove Fire blight: Plant health of the test');
    choose('Disorder to report', 'SIL');
    write('Report to', 'Another');
    press('Add rule');
    await findButton('Remove Silver leaf: Another');
    const { notifiable } = await saved(server);
    expect(notifiable).toHaveLength(2);
    expect([...(notifiable[0]?.codes ?? [])].sort()).toEqual([
      'FB_BLOS',
      'FB_CANK_A',
      'FB_CANK_D',
      'FB_ROOT',
      'FB_SHOOT',
    ]);
    expect(notifiable[1]).toMatchObject({ codes: ['SIL'], authority: 'Another' });
  });

  test('what does not occur here is listed once', async () => {
    const server = await come({ absentHere: [] } as Partial<Site>);
    choose('Disorder that does not occur', 'BKT');
    press('Add');
    await findButton('Remove Black knot');
    expect(buttons('Add')[0]?.disabled).toBe(true);
    choose('Disorder that does not occur', 'SIL');
    expect(buttons('Add')[0]?.disabled).toBe(false);
    expect((await saved(server)).absentHere).toEqual(['BKT']);
  });
});

test('the simulated climate is the usual one of the latitude until it is set by hand, within what a climate can be', async () => {
  const server = await come();
  choose('The weather comes from', 'simulated');
  fireEvent.click(await screen.findByRole('checkbox', { name: /^Set its climate by hand/ }));
  // It begins with what is usual here
  expect(Number(field('Mean of the year, °C').value)).toBe(climateAt(server.site.site.latitude, true).meanC);
  for (const [label, least, most] of [
    ['Mean of the year, °C', -10, 30],
    ['Summer over mean, °C', 0, 25],
    ['Wet days in winter, %', 2, 90],
    ['Wet days in summer, %', 2, 90],
  ] as const) {
    const told = [least - 1, least, most, most + 1].map((value) => isRefused(label, String(value)));
    expect([label, ...told]).toEqual([label, true, false, false, true]);
    write(label, String((least + most) / 2));
  }
  const { weather } = await saved(server);
  expect(weather).toMatchObject({
    source: 'simulated',
    climate: { meanC: 10, swingC: 12.5, wetDaysWinter: 0.46, wetDaysSummer: 0.46 },
  });
  fireEvent.click(screen.getByRole('checkbox', { name: /^Set its climate by hand/ }));
  await waitFor(() => expect(screen.queryByLabelText('Mean of the year, °C')).toBeNull());
  expect((await saved(server)).weather.climate).toBeNull();
});

test('when cuts are looked at again, where wood goes and what there is beside the blades', async () => {
  const server = await come();
  for (const [label, least, most] of [
    ['Mean of a summer day, °C', 0, 40],
    ['Looked at again after, days', 14, 60],
    ['No longer asked for after, days', 1, 90],
  ] as const) {
    const told = [least - 1, least, most, most + 1].map((value) => isRefused(label, String(value)));
    expect([label, ...told]).toEqual([label, true, false, false, true]);
    write(label, String(most));
  }
  choose('Burning here', 'banned');
  // Sound wood may be left; diseased wood may not
  const offered = (label: string) => [...field(label).querySelectorAll('option')].map(({ value }) => value);
  expect(offered('Sound wood')).toContain('leave');
  expect(offered('Diseased and suspect wood')).not.toContain('leave');
  const has = server.site.site.gear;
  const [missing] = allGear.filter((gear) => !has.includes(gear));
  if (missing) fireEvent.click(screen.getByRole('checkbox', { name: new RegExp(`^${missing}`, 'i') }));
  const { rechecks, debris, gear } = await saved(server);
  expect(rechecks).toMatchObject({ meanC: 40, monthDays: 60, overdueDays: 90 });
  expect(debris.burning).toBe('banned');
  expect([...gear].sort()).toEqual([...has, ...(missing ? [missing] : [])].sort());
});

describe('safe copies', () => {
  const made = (madeAt: string, bytes = 2_500_000) => ({ name: `${madeAt}.gz`, madeAt, bytes });
  const settingsOf = async (copies: Partial<FakeServer['copies']>) => {
    const server = new FakeServer([detail([])]);
    server.copies = { ...server.copies, ...copies };
    at.path = '/book/settings';
    show(<Settings />, server);
    await screen.findByText('Safe copies');
    await waitFor(() => expect(document.body.textContent).not.toContain('Asking the server'));
    return server;
  };

  test('when the last was made, how large it is and where they lie; one more on a press', async () => {
    const server = await settingsOf({
      kept: [made('2026-11-23T10:00:00Z'), made('2026-11-22T10:00:00Z', 900)],
    });
    expect(document.body.textContent).toMatch(/made 1 day ago: 23 Nov 2026, \d\d:00, 2.4 MB\./);
    expect(document.body.textContent).toContain('/srv/orchard-copies on its machine');
    press('All copies (2)');
    expect(document.body.textContent).toMatch(/22 Nov 2026, \d\d:00, 1 kB/);
    server.instead.set('makeCopy', () => ({
      ...server.copies,
      kept: [made('2026-11-24T10:00:00Z', 3_145_728)],
    }));
    press('Make a copy now');
    await waitFor(() => expect(document.body.textContent).toMatch(/24 Nov 2026, \d\d:00, 3.0 MB/));
  });

  test.each<[string, Partial<FakeServer['copies']>, string]>([
    ['none yet', {}, 'There is no copy yet.'],
    ['an old one', { isOld: true, kept: [made('2026-11-19T10:00:00Z')] }, 'The last safe copy is old'],
    ['none for days', { isOld: true }, 'There is no safe copy'],
    ['none wanted', { folder: null }, 'No copies are made'],
    [
      'a try that failed',
      { failed: { at: '2026-11-24T09:00:00Z', why: 'There is no room.' } },
      'There is no room.',
    ],
    [
      'damage',
      {
        kept: [made('2026-11-23T10:00:00Z')],
        database: { damage: { seenAt: '2026-11-24T09:00:00Z', what: '2 pages in trees' }, isReadOnly: false },
      },
      'npm run restore -- /srv/orchard-copies/2026-11-23T10:00:00Z.gz --data NEW-FOLDER',
    ],
    [
      'damage without a copy',
      {
        database: { damage: { seenAt: '2026-11-24T09:00:00Z', what: '1 page in trees' }, isReadOnly: false },
      },
      '1 page in trees. The disk of the server may be failing. There is no good copy here: save the archive now',
    ],
    [
      'a disk that takes nothing',
      { database: { damage: null, isReadOnly: true } },
      'What is there can be read.',
    ],
  ])('%s is said', async (_said, copies, words) => {
    await settingsOf(copies);
    expect(document.body.textContent).toContain(words);
    expect(buttons('Make a copy now')).toHaveLength(copies.folder === null ? 0 : 1);
  });

  test('why a copy could not be made is said where it was asked for', async () => {
    const server = await settingsOf({});
    server.instead.set('makeCopy', () => {
      throw refused(507, 'There is no room for a copy.');
    });
    press('Make a copy now');
    await waitFor(() => expect(document.body.textContent).toContain('There is no room for a copy.'));
    expect(document.body.textContent).toContain('No copy was made');
  });
});

test('what this device keeps is told in bytes, and the browser can be asked to keep it', async () => {
  const storage = { promised: false };
  Object.assign(navigator, {
    storage: {
      estimate: async () => ({ usage: 5_242_880, quota: 3 * 1024 ** 3 }),
      persisted: async () => storage.promised,
      persist: async () => {
        storage.promised = true;
        return true;
      },
    },
  });
  at.path = '/book/settings';
  show(<Settings />, new FakeServer([detail([])]));
  await screen.findByText(/^5\.0 MB of 3\.0 GB that its browser allows/);
  expect(document.body.textContent).toContain('Nothing waits to be sent.');
  press('Ask the browser to keep it');
  await screen.findByText('The browser has promised to keep all of it.');
  expect(buttons('Ask the browser to keep it')).toEqual([]);
});

test('where somebody is signed in is listed, and each but this one can be ended', async () => {
  const server = new FakeServer([detail([])]);
  const session = (id: string, here: boolean) => ({
    id,
    browser: `Chrome on ${id}`,
    beganAt: '2026-11-20T10:00:00Z',
    usedAt: '2026-11-22T10:00:00Z',
    here,
  });
  server.sessions = [session('Linux', true), session('Android', false)];
  server.instead.set('getSession', () => ({ required: true, signedIn: true }));
  server.instead.set('endSession', () => ({ sessions: [session('Linux', true)] }));
  at.path = '/book/settings';
  show(<Settings />, server);
  await screen.findByText('Chrome on Android, used 2 days ago');
  expect(screen.queryByText(/Chrome on Linux/)).toBeNull();
  press('End the session of Chrome on Android, used 2 days ago');
  await waitFor(() => expect(screen.queryByText(/Chrome on Android/)).toBeNull());
  expect(server.asked.find(({ name }) => name === 'endSession')?.params).toEqual({ sessionId: 'Android' });
  expect(buttons('Sign out here')).toHaveLength(1);
});

test.each([
  [null, 'npm start -- --lan'],
  [
    {
      trustUrl: 'http://10.0.0.7:3000/trust',
      addresses: ['https://10.0.0.7:3000', 'https://shed.local:3000'],
      fingerprint: 'AA',
      until: '2036-11-24T00:00:00Z',
    },
    'Or open http://10.0.0.7:3000/trust on it. The app itself is at https://10.0.0.7:3000, https://shed.local:3000.',
  ],
])('how a phone comes in is told', async (field, words) => {
  const server = new FakeServer([detail([])]);
  server.field = field;
  at.path = '/book/settings';
  show(<Settings />, server);
  await screen.findByText('Phones in the field');
  expect(document.body.textContent).toContain(words);
  expect(screen.queryAllByLabelText('Steps for a phone: http://10.0.0.7:3000/trust')).toHaveLength(
    field ? 1 : 0,
  );
});

describe('removed photos', () => {
  const photoId = '01990000-0000-7000-8000-0000000000b1';
  const known = detail([finding('01990000-0000-7000-8000-0000000000b2', 'S', 'DEAD')]);
  const removed = {
    photoId,
    findingId: known.findings[0]?.id as string,
    treeId: known.tree.id,
    treeCode: known.tree.code,
  };
  const settingsWith = (photos: FakeServer['removedPhotos']['photos'], on = known) => {
    const server = new FakeServer([on]);
    server.removedPhotos = { photos, keptDays: 30 };
    at.path = '/book/settings';
    show(<Settings />, server);
    return server;
  };
  const backButton = () => screen.findByRole('button', { name: `Put back the photo of ${known.tree.code}` });

  test.each([
    [30, 'in 30 days'],
    [1, 'in 1 day'],
    [0, 'today'],
  ])('with %d days left it is told to be deleted %s', async (daysLeft, words) => {
    settingsWith([{ ...removed, daysLeft }]);
    await backButton();
    expect(screen.getByText(`Deleted for good ${words}`)).toBeTruthy();
    expect(screen.getByText(/deleted for good 30 days after it was removed/)).toBeTruthy();
  });

  test('put back it stands in its finding again, beside the others, and leaves the list', async () => {
    const server = settingsWith([{ ...removed, daysLeft: 3 }]);
    const button = await backButton();
    await waitFor(() =>
      expect(button.hasAttribute('disabled') || button.getAttribute('aria-disabled') === 'true').toBe(false),
    );
    press(`Put back the photo of ${known.tree.code}`);
    await waitFor(() =>
      expect(server.details.get(known.tree.id)?.findings).toMatchObject([
        {
          ...known.findings[0],
          photoIds: [...(known.findings[0]?.photoIds ?? []), photoId],
          revision: 2,
          receivedAt: expect.any(String),
        },
      ]),
    );
    await waitFor(() => expect(screen.queryByText('Removed photos')).toBeNull());
  });

  test('none: nothing is said of it', async () => {
    const server = settingsWith([]);
    await waitFor(() => expect(server.asked.map(({ name }) => name)).toContain('getRemovedPhotos'));
    expect(screen.queryByText('Removed photos')).toBeNull();
  });

  test.each([
    [7, false],
    [8, true],
  ])('a finding with %d photos is full: %s', async (count, isFull) => {
    const full = {
      ...known,
      findings: known.findings.map((item) => ({
        ...item,
        photoIds: Array.from({ length: count }, (_, i) => `01990000-0000-7000-8000-0000000000c${i}`),
      })),
    };
    settingsWith([{ ...removed, daysLeft: 3 }], full);
    if (isFull) await screen.findByText('Its finding has 8 photos, no more fit.');
    else await waitFor(async () => expect((await backButton()).hasAttribute('disabled')).toBe(false));
    expect(screen.queryByText(/no more fit/) !== null).toBe(isFull);
  });
});
