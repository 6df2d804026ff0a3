// The register before a server: a file of trees asked about once, a new tree with sizes that nobody has, two versions of one tree.

import { treeBodyOf } from '@mortisect/core/records';
import { english } from '@mortisect/words/all';
import { configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { FakeServer, refused } from '../../testing/fakeServer';
import { at, buttons, field, findButton, findField, press, show, went, write } from '../../testing/here';
import { detail } from '../../testing/orchard';
import { DeletedNotice } from './DeletedTrees';
import { EditTree, NewTree } from './EditTree';
import { ImportTrees } from './ImportTrees';
import { Register } from './Register';
import { doubtsOf, formOfTree } from './treeForm';

jest.mock('expo-router', () => require('../../testing/here').router);
configure({ defaultHidden: true });

const trees = [
  detail([], { nickname: 'Old Anna', note: 'By the crane.' }),
  detail([], { id: 'b', code: 'Tree B', place: 2, species: 'pear', status: 'renovate' }),
];
const choose = (label: string, value: string) => fireEvent.change(field(label), { target: { value } });

describe('a file of trees', () => {
  const report = {
    columns: ['Tag', 'Fruit', 'Height', 'Colour'],
    mapping: { code: 'Tag', species: 'Fruit', heightCm: 'Height' },
    sample: [{ Tag: 'A1', Fruit: 'Plum', Height: '3,5', Colour: 'red' }],
    good: 1,
    refused: 1,
    rows: [
      { line: 3, code: 'A2', reasons: [{ field: 'species', message: '“Plum” can be two things.' }] },
      { line: 2, code: 'A1', reasons: [] },
    ],
    refusedCsv: 'Tag\r\nA2\r\n',
    written: 0,
    starts: [
      { field: 'plot', value: 'Orchard', rows: 2 },
      { field: 'form', value: '', rows: 2 },
    ],
    asks: [{ word: 'plum', rows: 1, options: ['european-plum', 'japanese-plum'] }],
    units: [{ field: 'heightCm', unit: 'm', by: 'size', rows: 2 }],
  };

  test('no file can be chosen before it is known whether there are trees: an archive would be read as a list', async () => {
    at.path = '/round/register/import';
    show(<ImportTrees />, new FakeServer(trees));
    expect(screen.queryByLabelText('File of trees')).toBeNull();
    expect(await findField('File of trees')).toBeTruthy();
  });

  async function read(answer: object = report): Promise<FakeServer> {
    const server = new FakeServer(trees);
    server.instead.set('importTrees', () => answer);
    at.path = '/round/register/import';
    show(<ImportTrees />, server);
    const file = new File(['Tag\nA1'], 'list.csv', { type: 'text/csv' });
    fireEvent.change(await findField('File of trees'), { target: { files: [file] } });
    await screen.findByText('Which column is what');
    return server;
  }
  const lastAsk = (server: FakeServer) => {
    const { query } = server.asked.findLast(({ name }) => name === 'importTrees') ?? {};
    return {
      take: query?.get('take'),
      format: query?.get('format'),
      choices: JSON.parse(query?.get('choices') ?? 'null'),
      mapping: JSON.parse(query?.get('mapping') ?? 'null'),
    };
  };

  test('is told in words: columns, what is left out, what is refused and why', async () => {
    const server = await read();
    expect(lastAsk(server)).toEqual({
      take: 'nothing',
      format: 'csv',
      choices: { starts: {}, kinds: {}, units: {} },
      mapping: null,
    });
    for (const words of [
      'Code on its tag: column “Tag”',
      'Left out: “Colour”.',
      'Row 3, A2',
      'Species: “Plum” can be two things.',
    ])
      expect(screen.getByText(words)).toBeTruthy();
  });

  test('each answer reads it anew with all answers so far, and they go along when it is taken', async () => {
    const server = await read();
    choose('“Plum” is', 'japanese-plum');
    await waitFor(() => expect(lastAsk(server).choices.kinds).toEqual({ plum: 'japanese-plum' }));
    choose('Height is in', 'ft');
    await waitFor(() => expect(lastAsk(server).choices.units).toEqual({ heightCm: 'ft' }));
    choose('Form', 'fan');
    await waitFor(() => expect(lastAsk(server).choices.starts).toEqual({ form: 'fan' }));
    write('Plot', 'Quay');
    expect(lastAsk(server).choices.starts).toEqual({ form: 'fan' });
    fireEvent.blur(field('Plot'));
    await waitFor(() => expect(lastAsk(server).choices.starts).toEqual({ form: 'fan', plot: 'Quay' }));
    press('Match columns by hand');
    choose('Cultivar', 'Colour');
    await waitFor(() => expect(lastAsk(server).mapping).toMatchObject({ cultivar: 'Colour', code: 'Tag' }));
    choose('Cultivar', '');
    await waitFor(() => expect(lastAsk(server).mapping.cultivar).toBeUndefined());
    server.instead.set('importTrees', () => ({ ...report, written: 1 }));
    press('Take 1 good row');
    await screen.findByText('1 tree written down');
    expect(lastAsk(server)).toMatchObject({
      take: 'good',
      choices: {
        kinds: { plum: 'japanese-plum' },
        units: { heightCm: 'ft' },
        starts: { form: 'fan', plot: 'Quay' },
      },
    });
    press('To the register');
    expect(went.at(-1)).toEqual(['replace', '/round/register']);
  });

  test('with no good row nothing can be taken; a file that is none says so', async () => {
    await read({ ...report, good: 0 });
    expect((await findButton('No good row')).disabled).toBe(true);
    const server = new FakeServer(trees);
    server.instead.set('importTrees', () => {
      throw refused(422, 'The file is empty.');
    });
    show(<ImportTrees />, server);
    const file = new File([''], 'empty.geojson');
    fireEvent.change(await findField('File of trees'), {
      target: { files: [file] },
    });
    await screen.findByText('The file is empty.');
    expect(server.asked.at(-1)?.query.get('format')).toBe('geojson');
  });
});

describe('an archive', () => {
  const came = {
    orchardId: '00000000-0000-4000-8000-000000000000',
    lines: 9,
    trees: 2,
    findings: 1,
    actions: 4,
    hours: 24,
    photos: 0,
    aside: [{ seq: 7, why: 'A line of the kind “dreamt” is not understood.' }],
  };
  const choose = async (name: string) =>
    fireEvent.change(await findField('File of trees'), { target: { files: [new File(['{}'], name)] } });

  test('where there are no trees it comes in whole, once somebody says so, and says what led to nothing', async () => {
    const server = new FakeServer();
    server.instead.set('importArchive', () => came);
    show(<ImportTrees />, server);
    await waitFor(async () => expect((await findButton('Choose a file')).disabled).toBe(false));
    await choose('archive.ndjson');
    await screen.findByText(/settings of this server give way/);
    expect(server.asked.some(({ name }) => name.startsWith('import'))).toBe(false);
    press('Take nothing');
    await findButton('Choose a file');
    await choose('archive.ndjson');
    press(/^Bring the whole orchard/);
    await screen.findByText('2 trees came in');
    expect(screen.getByText(/^They are kept.*Line 7: .*dreamt/)).toBeTruthy();
    press('To the register');
    expect(went.at(-1)).toEqual(['replace', '/round/register']);
  });

  test('refused, it says why and can be tried again', async () => {
    const server = new FakeServer();
    server.instead.set('importArchive', () => {
      throw refused(422, 'Line 40: the archive ends here.');
    });
    show(<ImportTrees />, server);
    await waitFor(async () => expect((await findButton('Choose a file')).disabled).toBe(false));
    await choose('archive.ndjson');
    fireEvent.click(await findButton('Bring the whole orchard'));
    await screen.findByText('Line 40: the archive ends here.');
    expect((await findButton('Bring the whole orchard')).disabled).toBe(false);
  });

  test('where trees stand its trees are looked at row by row', async () => {
    const server = new FakeServer(trees);
    server.instead.set('importTrees', () => {
      throw refused(422, 'The file is empty.');
    });
    show(<ImportTrees />, server);
    await waitFor(async () => expect((await findButton('Choose a file')).disabled).toBe(false));
    await choose('archive.ndjson');
    await screen.findByText('The file is empty.');
    expect(server.asked.at(-1)?.query.get('format')).toBe('archive');
  });
});

describe('a new tree', () => {
  async function begin(): Promise<FakeServer> {
    const server = new FakeServer(trees);
    at.path = '/round/register/new';
    show(<NewTree />, server);
    await screen.findByText('Which tree');
    for (const [label, text] of [
      ['Code on its tag', 'Tree C'],
      ['Plot', 'Plot'],
      ['Row', 'Row'],
      ['Height, cm', '380'],
    ] as const)
      write(label, text);
    return server;
  }
  const SAVE = 'Save and draw limbs';

  test('is not saved while a field cannot be used; the first such field is gone to', async () => {
    const server = await begin();
    write('Spread, cm', 'wide');
    write('Year planted', 'long ago');
    press(SAVE);
    await waitFor(() => expect(document.activeElement).toBe(field('Spread, cm')));
    expect(screen.getByText('2 fields are not usable yet: fix the marked fields.')).toBeTruthy();
    expect(server.bodies('putTree')).toEqual([]);
  });

  test('an odd size is asked about, and what was meant is one tap away', async () => {
    const server = await begin();
    write('Spread, cm', '3.5');
    press(SAVE);
    await findButton('I mean 3.5 m');
    expect(server.bodies('putTree')).toEqual([]);
    press('I mean 3.5 m');
    expect(field('Spread, cm').value).toBe('350');
    press(SAVE);
    await waitFor(() => expect(went.at(-1)?.[1]).toMatch(/^\/round\/[\w-]+\/map$/));
    expect(server.bodies('putTree')).toMatchObject([
      { baseRevision: null, tree: { spreadCm: 350, heightCm: 380 } },
    ]);
  });

  test('an odd size that is so is saved as it was said', async () => {
    const server = await begin();
    write('Spread, cm', '2500');
    press(SAVE);
    await findButton('It is so, save');
    expect(buttons(/^I mean/)).toEqual([]);
    press('It is so, save');
    await waitFor(() => expect(server.bodies('putTree')).toMatchObject([{ tree: { spreadCm: 2500 } }]));
    await waitFor(() => expect(went).toHaveLength(1));
  });

  test('in the place of another, which is retired once the new one stands, and again where that failed', async () => {
    const server = new FakeServer(trees);
    at.path = '/round/register/new';
    show(<NewTree after="a" />, server);
    await screen.findByText(/which is retired and keeps its history$/);
    const old = server.details.get('a')?.tree;
    expect([field('Plot').value, field('Row').value, field('Place in the row').value]).toEqual([
      old?.plot,
      old?.row,
      String(old?.place),
    ]);
    expect(field('Code on its tag').value).toBe('');
    write('Code on its tag', 'Tree C');
    write('Height, cm', '150');
    write('Spread, cm', '60');
    server.instead.set('putTree', ({ params }) => {
      if (params.treeId !== 'a') return undefined;
      server.instead.clear();
      throw refused(503, 'The disk is full.');
    });
    press(SAVE);
    await screen.findByText('The disk is full.');
    press(SAVE);
    await waitFor(() => expect(went.at(-1)?.[1]).toMatch(/^\/round\/[\w-]+\/map$/));
    expect(server.details.get('a')?.tree).toMatchObject({ status: 'removed', code: old?.code });
    expect([...server.details.values()].filter(({ tree }) => tree.code === 'Tree C')).toHaveLength(1);
  });

  test('Cancel asks once something was typed, and not before', async () => {
    at.path = '/round/register/new';
    show(<NewTree />, new FakeServer(trees));
    await screen.findByText('Which tree');
    press('Cancel');
    expect(went).toEqual([['back', undefined]]);
    // By its address: to the list
    at.first = true;
    press('Cancel');
    expect(went.at(-1)).toEqual(['replace', '/round/register']);
    at.first = false;
    write('Nickname', 'Anna');
    press('Cancel');
    await screen.findByText('The new tree has changes that are not saved.');
    expect(went).toHaveLength(2);
    press('Leave, lose the changes');
    await waitFor(() => expect(went).toHaveLength(3));
  });
});

test.each([
  ['metric', 'heightCm', '59', null],
  ['metric', 'heightCm', '3.8', '3.8 m'],
  ['metric', 'heightCm', '1501', null],
  ['metric', 'girthCm', '1.2', '1.2 m'],
  ['us', 'spreadCm', '12', '12 ft'],
  ['us', 'heightCm', '20', '20 ft'],
] as const)('%s: %s of %s is doubted, and %s may be meant', (units, key, text, instead) => {
  const [doubt] = doubtsOf(
    english,
    { ...formOfTree(english, trees[0]?.tree as never, units), [key]: text },
    units,
  );
  expect(doubt?.key).toBe(key);
  expect(doubt?.instead?.text ?? null).toBe(instead);
});

test.each(['60', '1500', '3.8 m', '12 ft', ''])('a height of “%s” is not doubted', (text) => {
  expect(
    doubtsOf(
      english,
      { ...formOfTree(english, trees[0]?.tree as never, 'metric'), heightCm: text },
      'metric',
    ),
  ).toEqual([]);
});

test('two versions of a tree are shown, and the choice is sent on the revision that stands', async () => {
  const server = new FakeServer(trees);
  const theirs = { ...trees[0]?.tree, heightCm: 300, revision: 7, by: 'Boat crew' };
  server.instead.set('putTree', () => {
    throw refused(409, 'Changed meanwhile.', { type: 'moved-meanwhile', yours: {}, theirs });
  });
  at.path = '/round/a/edit';
  show(<EditTree treeId="a" />, server);
  await screen.findByText('Which tree');
  write('Note', 'Leans to the quay.');
  press('Save the tree');
  await screen.findByText('300 cm high, 300 cm wide, keep');
  server.instead.delete('putTree');
  press('Keep mine');
  await waitFor(() => expect(server.bodies('putTree')).toHaveLength(2));
  expect(server.bodies('putTree').at(-1)).toMatchObject({
    baseRevision: 7,
    tree: { note: 'Leans to the quay.' },
  });
});

test('the register finds a tree by any word of it, and says when none is left', async () => {
  at.path = '/round/register';
  show(<Register />, new FakeServer(trees));
  await screen.findByText('2');
  for (const [word, count] of [
    ['crane', '1'],
    ['anna', '1'],
    ['renovate', '1'],
    ['PEAR', '1'],
    ['nothing like it', '0'],
    ['', '2'],
  ] as const) {
    write('Find', word);
    await waitFor(() => expect(screen.getByText(count, { selector: 'span' })).toBeTruthy());
  }
});

describe('a tree that should not be there', () => {
  const [tree] = trees.map((given) => given.tree) as [(typeof trees)[0]['tree']];
  const openEditor = async (server: FakeServer) => {
    at.path = `/round/${tree.id}/edit`;
    show(<EditTree treeId={tree.id} />, server);
    await findButton('Delete this tree');
  };

  test('is deleted once somebody says so, as it stands and without what was typed; kept it stays', async () => {
    const server = new FakeServer(trees);
    await openEditor(server);
    press('Delete this tree');
    await screen.findByText(`Delete ${tree.code}?`);
    press('Keep it');
    expect(server.bodies('putTree')).toEqual([]);
    press('Delete this tree');
    press('Delete the tree');
    await waitFor(() => expect(went).toContainEqual(['replace', '/round/register']));
    expect(server.bodies('putTree')).toEqual([
      { baseRevision: tree.revision, tree: { ...treeBodyOf(tree), deleted: true } },
    ]);
  });

  test('refused, it says why and stays', async () => {
    const server = new FakeServer(trees);
    server.instead.set('putTree', () => {
      throw refused(503, 'The disk takes nothing.');
    });
    await openEditor(server);
    press('Delete this tree');
    press('Delete the tree');
    await screen.findByText('Not deleted');
    expect(document.body.textContent).toContain('The disk takes nothing.');
  });

  test('stands in the register under deleted trees, and in its rows again once it is taken back', async () => {
    const server = new FakeServer([
      detail([], { nickname: 'Old Anna', deleted: true }),
      trees[1] as (typeof trees)[0],
    ]);
    at.path = '/round/register';
    show(<Register />, server);
    await screen.findByText('Deleted trees');
    expect(document.body.textContent).toContain('Plot · Row · goes for good in 30 days');
    expect(document.body.textContent).not.toContain('Old Anna');
    press(`Restore ${tree.code}`);
    await waitFor(() => expect(screen.queryByText('Deleted trees')).toBeNull());
    expect(document.body.textContent).toContain('Old Anna');
    expect(server.bodies('putTree')).toMatchObject([{ baseRevision: 1, tree: { nickname: 'Old Anna' } }]);
    expect(server.bodies<{ tree: object }>('putTree')[0]?.tree).not.toHaveProperty('deleted');
  });

  test('says on its own page that it is deleted; one that is not says nothing', async () => {
    const [kept, gone] = trees.map((given, i) => ({
      ...given.tree,
      ...(i === 1 && { deleted: true as const }),
    }));
    const server = new FakeServer([detail([], { id: 'b', code: 'Tree B', deleted: true })]);
    show(
      <>
        <DeletedNotice tree={kept as typeof tree} />
        <DeletedNotice tree={gone as typeof tree} />
      </>,
      server,
    );
    await screen.findByText('It is in no list and goes for good in 30 days.');
    expect(screen.getAllByText('This tree is deleted')).toHaveLength(1);
    press('Restore this tree');
    await waitFor(() => expect(server.bodies('putTree')).toMatchObject([{ tree: { code: 'Tree B' } }]));
  });
});
