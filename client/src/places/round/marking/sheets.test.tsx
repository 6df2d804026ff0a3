// What more is seen of a finding, on the page of its tree before a server: signs, scratches, girdling, a photo, a question to another.
import type { ActionBody, Finding } from '@mortisect/core/records';
import { configure, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { FakeServer } from '../../../testing/fakeServer';
import { allSent, at, buttons, field, findButton, press, show, write } from '../../../testing/here';
import { detail, did, finding } from '../../../testing/orchard';
import { RoundTree } from '../RoundTree';
import { useDrafts } from './draft';

jest.mock('expo-router', () => require('../../../testing/here').router);
jest.mock('../../../data/qrCode', () => ({ tagInPhoto: () => Promise.resolve(null) }));
jest.mock('../../../data/photo', () => ({
  PhotoUnreadable: class extends Error {},
  shrunk: (file: File) => Promise.resolve(new Blob([file.name])),
}));
configure({ defaultHidden: true });

// A browser shows a photo by an address of its own; jsdom has none
Object.assign(URL, { createObjectURL: () => 'blob:photo', revokeObjectURL: () => undefined });

const CANKER = '0193f000-0000-7000-8000-000000000011';
const tap = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));
const sheet = () => within(screen.getByRole('dialog'));

async function mark(server = new FakeServer([detail([])])): Promise<FakeServer> {
  at.path = '/round/a';
  at.params = { limb: 'S' };
  useDrafts.setState({ byTree: {} });
  show(<RoundTree treeId="a" />, server);
  fireEvent.click(await findButton('New finding'));
  tap('Diseased');
  return server;
}
async function saved(server: FakeServer): Promise<Finding> {
  press('Save finding');
  await allSent();
  return server.details.get('a')?.findings.at(-1) as Finding;
}

test('scratches close in on where live wood ends: each halves what is not known, and the finding begins there', async () => {
  const server = await mark();
  press('Scratch test');
  const scratch = (cm: string, reads: string) => {
    write('Scratch at, from the base, cm', cm);
    tap(reads);
  };
  scratch('60', 'Green');
  expect(sheet().getByText('Alive at least to 60 cm; nothing brown yet')).toBeTruthy();
  scratch('120', 'Brown');
  expect(sheet().getByText('Live wood ends between 60 cm and 120 cm')).toBeTruthy();
  expect(sheet().getByText('Scratch next at 90 cm: that halves what is not known.')).toBeTruthy();
  // The field stands where the next scratch is due
  tap('Brown');
  expect(sheet().getByText('Live wood ends between 60 cm and 90 cm')).toBeTruthy();
  scratch('150', 'Green');
  expect(sheet().getByText('Green beyond brown')).toBeTruthy();
  press('Remove the scratch at 150 cm');
  expect(sheet().queryByText('Green beyond brown')).toBeNull();
  press('Begin the finding at 60 cm');
  press('Done');
  expect(await saved(server)).toMatchObject({
    fromCm: 60,
    measured: true,
    scratches: [
      { atCm: 60, reads: 'green' },
      { atCm: 90, reads: 'brown' },
      { atCm: 120, reads: 'brown' },
    ],
  });
});

test('widths of dead patches add up to a share of the round; a half of it is a caution', async () => {
  const server = await mark();
  press('Girdling');
  write('Round the limb here, cm', '20');
  const add = (cm: string) => {
    write('Width of a dead patch, cm', cm);
    press('Add');
  };
  expect(buttons('Add')[0]?.disabled).toBe(true);
  add('6');
  expect(sheet().getByText('30 % of the circumference')).toBeTruthy();
  add('4');
  expect(sheet().getByText('50 % of the circumference')).toBeTruthy();
  press('Remove 6 cm');
  expect(sheet().getByText('20 % of the circumference')).toBeTruthy();
  press('Done');
  expect(await saved(server)).toMatchObject({ widthsCm: [4], circumferenceCm: 20 });
});

test('signs: seen, absent, or never asked; a second press takes the answer off; likely causes follow and are never certain', async () => {
  const server = await mark();
  press('Signs and causes');
  expect(sheet().getByText(/^Say what you see/)).toBeTruthy();
  const [first, second] = screen.getAllByRole('group').filter((group) => within(group).queryByText('Absent'));
  const answer = (group: HTMLElement | undefined, word: string) =>
    fireEvent.click(within(group as HTMLElement).getByText(word));
  answer(first, 'Seen');
  answer(second, 'Absent');
  expect(sheet().queryByText(/^Say what you see/)).toBeNull();
  expect(document.body.textContent).not.toMatch(/confirmed|certain(?!ty)|cured/i);
  answer(second, 'Absent');
  press('Done');
  const { signs } = await saved(server);
  expect(Object.values(signs)).toEqual(['present']);
});

test('a photo from the camera or the gallery goes ahead of its finding; the ninth is not taken', async () => {
  const server = await mark();
  press('Photo');
  const camera = field('Photo');
  const gallery = field('Photo, from the gallery');
  expect(camera.getAttribute('capture')).toBe('environment');
  expect(gallery.getAttribute('capture')).toBeNull();
  for (let i = 0; i < 8; i++) {
    const input = i % 2 === 0 ? camera : gallery;
    fireEvent.change(input, { target: { files: [new File([`${i}`], `${i}.jpg`)] } });
    await waitFor(() => expect(buttons(/^Remove photo/)).toHaveLength(i + 1));
  }
  expect(buttons('Take a photo')[0]?.disabled).toBe(true);
  expect(buttons('From the gallery')[0]?.disabled).toBe(true);
  press('Remove photo 8');
  press('Done');
  const kept = await saved(server);
  expect(kept.photoIds).toHaveLength(7);
  const writes = server.asked.flatMap(({ name }) => (/^put(Photo|Finding)$/.test(name) ? [name] : []));
  expect(writes.lastIndexOf('putPhoto')).toBeLessThan(writes.indexOf('putFinding'));
});

describe('another is asked', () => {
  const asked = {
    ...did({
      kind: 'asked',
      at: '2026-11-23T09:00:00Z',
      treeId: 'a',
      findingId: CANKER,
      of: 'Wall crew',
      question: 'Is it blight?',
    } as ActionBody),
    id: '0193f000-0000-7000-8000-000000000051',
    by: 'Boat crew',
  };
  const open = async (server: FakeServer) => {
    at.path = '/round/a';
    at.params = {};
    useDrafts.setState({ byTree: {} });
    show(<RoundTree treeId="a" />, server);
    fireEvent.click(await findButton(/^Change: Fire blight canker/));
    press(/^Ask another|^Answer/);
  };

  test('the question goes to somebody else than oneself, and holds the cut', async () => {
    const server = new FakeServer([detail([finding(CANKER, 'S', 'FB_CANK_A')])]);
    await open(server);
    await findButton('Ask Boat crew');
    const names = [...field<HTMLSelectElement>('Who?').options].map(({ text }) => text);
    expect(names).toEqual(['Boat crew']);
    write('Question', ' Is it blight? ');
    press('Ask Boat crew');
    await allSent();
    expect(server.actions.at(-1)?.action).toMatchObject({
      kind: 'asked',
      of: 'Boat crew',
      question: 'Is it blight?',
      findingId: CANKER,
    });
    await waitFor(() => expect(document.body.textContent).toMatch(/On hold: somebody was asked/));
  });

  test('an answer must say something; with it the cut is free', async () => {
    const server = new FakeServer([detail([finding(CANKER, 'S', 'FB_CANK_A')], {}, [asked])], [asked]);
    await open(server);
    await screen.findByText('Boat crew asks Wall crew');
    const reply = () => buttons('Answer, and free the cut').at(-1) as HTMLButtonElement;
    expect(reply().disabled).toBe(true);
    write('Answer', 'Yes, an old one.');
    expect(reply().disabled).toBe(false);
    fireEvent.click(reply());
    await allSent();
    expect(server.actions.at(-1)?.action).toMatchObject({
      kind: 'answered',
      askedId: asked.id,
      answer: 'Yes, an old one.',
    });
  });
});
