import { createHash, randomBytes } from 'node:crypto';
import sharp from 'sharp';
import { instant, type Instant } from '@/core/ids';
import type { Actor, Deps } from '@/server/deps';
import type { FileStore } from '@/server/files/store';
import { changeMark, changePicture } from '@/server/people/picture';
import * as setup from '@/server/setup/setup';
import { STEWARD } from './people';
import { MARK, PICTURES } from './pictures';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

const png = (svg: string) => sharp(Buffer.from(svg)).png().toBuffer();

/** What people of the demo have put in the place of their faces, and the college's mark. */
export async function addPictures(
  deps: { db: Deps['db']; now: Instant; files: FileStore },
  actor: (name: string) => Actor,
) {
  await changeMark(deps, await png(MARK));
  for (const [name, svg] of Object.entries(PICTURES)) await changePicture(deps, actor(name), await png(svg));
}

const BROWSERS = [
  {
    agent: 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0',
    since: 9 * DAY_MS,
    seen: 20 * HOUR_MS,
  },
  {
    agent:
      'Mozilla/5.0 (Linux; Android 15; Mobile) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36',
    since: 3 * DAY_MS,
    seen: 2 * HOUR_MS,
  },
];

/**
 * The ways in of the demo's steward: two other browsers, a passkey and a second factor. What opens them nobody has, so the demo
 * lets her in as it lets everybody in.
 */
export async function addWaysIn(db: Deps['db'], now: Instant, actor: (name: string) => Actor) {
  const { id } = actor(STEWARD);
  for (const { agent, since, seen } of BROWSERS) {
    const tokenHash = createHash('sha256').update(randomBytes(32)).digest();
    await setup.addSession(db, {
      tokenHash,
      person: id,
      agent,
      now: instant(now - since),
      expires: instant(now + 30 * DAY_MS),
    });
    await db('sessions')
      .where({ token_hash: tokenHash })
      .update({ seen_at: new Date(now - seen) });
  }
  const passkey = randomBytes(16).toString('base64url');
  await setup.addPasskey(db, {
    id: passkey,
    person: id,
    publicKey: randomBytes(77),
    counter: 0,
    transports: ['internal'],
    name: 'Desk at the office',
    made: instant(now - 30 * DAY_MS),
  });
  await setup.notePasskeyUsed(db, passkey, 0, instant(now - DAY_MS));
  await setup.addSecondFactor(db, id, randomBytes(60), instant(now - 40 * DAY_MS));
  await setup.confirmSecondFactor(db, id, instant(now - 40 * DAY_MS));
  await setup.addRecoveryCodes(
    db,
    id,
    Array.from({ length: 8 }, () => randomBytes(32)),
  );
}
