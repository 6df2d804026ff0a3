// Outside loopback: a passphrase or no start; then sign-in, sessions that end, and a limit on tries.
import request from 'supertest';
import { type Config, readConfig } from '../config';
import { kept } from '../services/keepsakes';
import { SESSION_MS } from '../services/sessions';
import { sessions } from '../store/schema';
import { NOW, type Orchard, openOrchard } from '../testing/orchard';
import { LEAST_PASSPHRASE, setUpAccess } from './access';

const PASSPHRASE = 'net loft and slip side';
const open: Orchard[] = [];
const opened = async (settings: Partial<Config>) => {
  const made = await openOrchard('memory', { passphrase: PASSPHRASE, ...settings });
  open.push(made);
  return made;
};
let orchard: Orchard;
beforeAll(async () => {
  orchard = await opened({ host: '0.0.0.0' });
});
afterAll(async () => {
  for (const made of open) await made.close();
});

const PHONE =
  'Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/130.0.0.0 Mobile Safari/537.36';
const signIn = (passphrase = PASSPHRASE, { app } = orchard) =>
  request(app).post('/api/session').set('User-Agent', PHONE).send({ passphrase });
const cookiesOf = ({ headers }: request.Response) => headers['set-cookie'] as unknown as string[];
const as = (cookies: string[]) => ({
  get: (url: string) => request(orchard.app).get(url).set('Cookie', cookies),
  end: (url: string) => request(orchard.app).delete(url).set('Cookie', cookies),
});

test('without a passphrase it starts neither outside loopback nor behind a proxy', async () => {
  const bare = await openOrchard('memory');
  const { db } = bare.store;
  for (const more of [{ host: '0.0.0.0' }, { proxy: true }])
    await expect(setUpAccess({ ...readConfig([], {}), ...more }, db, () => NOW)).rejects.toThrow(
      'without a passphrase',
    );
  await bare.close();
});

// Common practice: what lists of leaked passphrases hold, repetitions and rows of keys are tried first
test.each([
  ['x'.repeat(LEAST_PASSPHRASE - 1), 'fewer than 12 characters'],
  ['correctbat!', 'fewer than 12 characters'],
  ['passwordpassword', 'guessed too easily'],
  ['123456789012', 'guessed too easily'],
  ['qwertyuiop12', 'guessed too easily'],
  ['wharf kelp 93', null],
])('a new passphrase %s: %s', async (passphrase, fault) => {
  const setting = setUpAccess({ ...readConfig([], {}), passphrase }, other.store.db, () => NOW);
  if (fault) await expect(setting).rejects.toThrow(fault);
  else expect((await setting).required).toBe(true);
});
let other: Orchard;
beforeAll(async () => {
  other = await openOrchard('memory');
  open.push(other);
});

test('the passphrase is kept as an argon2id hash only, and of a session its hash', async () => {
  const keys = await kept<{ passphraseHash: string }>(orchard.store.db, 'access');
  expect(keys?.passphraseHash).toMatch(/^\$argon2id\$/);
  expect(JSON.stringify(keys)).not.toContain(PASSPHRASE);
  const [cookie] = cookiesOf(await signIn().expect(200)) as [string];
  const id = decodeURIComponent(cookie).split('=s:')[1]?.split('.')[0] as string;
  expect(id.length).toBeGreaterThan(20);
  expect(JSON.stringify(await orchard.store.db.select().from(sessions))).not.toContain(id);
});

test('nothing of the orchard is answered before sign-in, all of it after', async () => {
  for (const url of ['/api/trees', '/api/openapi.json', '/api/docs', '/api/sessions'])
    await request(orchard.app).get(url).expect(401);
  expect((await request(orchard.app).get('/api/session').expect(200)).body).toEqual({
    required: true,
    signedIn: false,
  });
  const cookies = cookiesOf(await signIn().expect(200));
  expect(cookies.every((cookie) => /httponly/i.test(cookie) && /samesite=strict/i.test(cookie))).toBe(true);
  expect(cookies.join()).not.toMatch(/secure;|__Host-/i);
  for (const url of ['/api/trees', '/api/openapi.json', '/api/docs']) await as(cookies).get(url).expect(200);
  const forged = cookies.map((cookie) =>
    cookie.replace(/^mortisect=s%3A(.)/, (_, first) => `mortisect=s%3A${first === 'x' ? 'y' : 'x'}`),
  );
  expect(forged).not.toEqual(cookies);
  await as(forged).get('/api/trees').expect(401);
});

test('each sign-in is a session of its own; it ends when it is signed out, ended elsewhere, not used, or the passphrase is new', async () => {
  const [one, two, three, four] = (await Promise.all([signIn(), signIn(), signIn(), signIn()]).then((all) =>
    all.map(cookiesOf),
  )) as [string[], string[], string[], string[]];
  expect(new Set([one, two, three, four].map(String)).size).toBe(4);
  // An id that somebody gave to a browser before is not the one that is signed in
  const fixed = await signIn().set('Cookie', one);
  expect(cookiesOf(fixed)[0]?.split(';')[0]).not.toBe(one[0]?.split(';')[0]);
  await as(one).get('/api/trees').expect(401);

  await as(two).end('/api/session').expect(200);
  await as(two).get('/api/trees').expect(401);

  const { body } = await as(three).get('/api/sessions').expect(200);
  const here = body.sessions.filter((session: { here: boolean }) => session.here);
  expect(here).toMatchObject([{ browser: 'Chrome on Android', beganAt: NOW, usedAt: NOW }]);
  const left = await as(four).end(`/api/sessions/${here[0].id}`).expect(200);
  expect(left.body.sessions.map(({ id }: { id: string }) => id)).not.toContain(here[0].id);
  await as(three).get('/api/trees').expect(401);
  await as(four).end(`/api/sessions/${here[0].id}`).expect(404);

  const { db } = orchard.store;
  const lives = async (endsAt: number) => {
    await db.update(sessions).set({ endsAt: new Date(endsAt).toISOString() });
    return (await as(four).get('/api/trees')).status;
  };
  expect(await lives(Date.parse(NOW) + 1)).toBe(200);
  expect(await lives(Date.parse(NOW))).toBe(401);
  const last = cookiesOf(await signIn());
  await as(last).get('/api/trees').expect(200);
  await setUpAccess({ ...readConfig([], {}), passphrase: 'slip side and net loft' }, db, () => NOW);
  await as(last).get('/api/trees').expect(401);
});

test('a session that is used goes on for thirty days from then, and notes it by the hour', async () => {
  const HOUR = 3_600_000;
  const start = Date.parse(NOW);
  let ms = start;
  const { store } = other;
  const access = await setUpAccess(
    { ...readConfig([], {}), host: '0.0.0.0', passphrase: PASSPHRASE },
    store.db,
    () => new Date(ms).toISOString(),
  );
  const { default: express } = await import('express');
  const small = express();
  access.install(small);
  small.post('/api/session', express.json(), async (asked, answer) => {
    await access.signIn(asked, asked.body.passphrase);
    answer.json({});
  });
  small.get('/api/in', (asked, answer) => void answer.json(access.signedIn(asked)));
  const cookies = cookiesOf(
    await request(small).post('/api/session').send({ passphrase: PASSPHRASE }).expect(200),
  );
  const isIn = async () => (await request(small).get('/api/in').set('Cookie', cookies)).body;
  const usedAt = async () => Date.parse((await store.db.select().from(sessions))[0]?.usedAt ?? '') - start;
  ms = start + HOUR - 1;
  expect([await isIn(), await usedAt()]).toEqual([true, 0]);
  ms = start + HOUR;
  expect([await isIn(), await usedAt()]).toEqual([true, HOUR]);
  ms = start + HOUR + SESSION_MS - 1;
  expect(await isIn()).toBe(true);
  ms += SESSION_MS;
  expect(await isIn()).toBe(false);
});

test('behind a proxy the cookie goes over a safe line only, and each who asks has tries of their own', async () => {
  const { app } = await opened({ proxy: true });
  const by = (proto: string, from = '192.0.2.7') =>
    request(app)
      .post('/api/session')
      .set('X-Forwarded-Proto', proto)
      .set('X-Forwarded-For', from)
      .set('Host', 'orchard.example');
  const plain = await by('http').send({ passphrase: PASSPHRASE }).expect(400);
  expect(plain.body.type).toBe('not-secure');
  const safe = await by('https').send({ passphrase: PASSPHRASE }).expect(200);
  expect(cookiesOf(safe)[0]).toMatch(/^__Host-mortisect=.*Path=\/;.*Secure/i);
  for (let tries = 0; tries < 11; tries++)
    await by('https', '192.0.2.8').send({ passphrase: 'harbour light' });
  await by('https', '192.0.2.8').send({ passphrase: PASSPHRASE }).expect(429);
  await by('https', '192.0.2.9').send({ passphrase: PASSPHRASE }).expect(200);
});

test('right sign-ins do not count; wrong tries are told so and run out', async () => {
  const { app } = await opened({ host: '0.0.0.0' });
  const at = (passphrase: string) => request(app).post('/api/session').send({ passphrase });
  for (let tries = 0; tries < 12; tries++) await at(PASSPHRASE).expect(200);
  const wrong = await at('harbour light').expect(403);
  expect(wrong.body.errors).toMatchObject([{ path: 'passphrase' }]);
  const statuses: number[] = [];
  for (let tries = 0; tries < 10; tries++) statuses.push((await at('harbour light')).status);
  expect(statuses).toEqual([...Array(9).fill(403), 429]);
  expect((await at(PASSPHRASE)).status).toBe(429);
});
