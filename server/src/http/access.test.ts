// Outside loopback: a passphrase or no start; then sign-in, a cookie that scripts cannot read, and a limit on tries.
import request from 'supertest';
import { readConfig } from '../config';
import { kept } from '../services/keepsakes';
import { type Orchard, openOrchard } from '../testing/orchard';
import { setUpAccess } from './access';

const PASSPHRASE = 'net loft and slip side';
let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard('memory', { host: '0.0.0.0', passphrase: PASSPHRASE });
}, 60_000);
afterAll(() => orchard.close());

const signIn = (passphrase: string) => request(orchard.app).post('/api/session').send({ passphrase });

test('without a passphrase it does not start outside loopback', async () => {
  const bare = await openOrchard('memory');
  const config = { ...readConfig([], {}), host: '0.0.0.0' };
  await expect(setUpAccess(config, bare.store.db)).rejects.toThrow(
    'does not listen on 0.0.0.0 without a passphrase',
  );
  await bare.close();
}, 60_000);

test('the passphrase is kept as an argon2id hash only', async () => {
  const keys = await kept<{ passphraseHash: string }>(orchard.store.db, 'access');
  expect(keys?.passphraseHash).toMatch(/^\$argon2id\$/);
  expect(JSON.stringify(keys)).not.toContain(PASSPHRASE);
});

test('nothing of the orchard is answered before sign-in, all of it after', async () => {
  await request(orchard.app).get('/api/trees').expect(401);
  expect((await request(orchard.app).get('/api/session').expect(200)).body).toEqual({
    required: true,
    signedIn: false,
  });
  const { headers } = await signIn(PASSPHRASE).expect(200);
  const cookies = headers['set-cookie'] as unknown as string[];
  expect(cookies.every((cookie) => /httponly/i.test(cookie) && /samesite=strict/i.test(cookie))).toBe(true);
  await request(orchard.app).get('/api/trees').set('Cookie', cookies).expect(200);
  const forged = cookies.map((cookie) =>
    cookie.replace(/^mortisect=[^;]+/, 'mortisect=eyJzaWduZWRJbiI6dHJ1ZX0='),
  );
  await request(orchard.app)
    .get('/api/trees')
    .set('Cookie', forged[0] as string)
    .expect(401);
});

test('wrong tries are told so and run out', async () => {
  const wrong = await signIn('harbour light').expect(403);
  expect(wrong.body.errors).toMatchObject([{ path: 'passphrase' }]);
  const statuses: number[] = [];
  for (let tries = 0; tries < 10; tries++) statuses.push((await signIn('harbour light')).status);
  expect(statuses.at(-1)).toBe(429);
  expect((await signIn(PASSPHRASE)).status).toBe(429);
});
