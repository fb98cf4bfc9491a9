import { FlattenedSign } from 'jose';
import type { PostId } from '@/core/ids';
import { canonicalJson } from '@/core/posts/canonical';
import type { Doc } from '@/core/document/nodes';
import type { Receipt } from '@/core/receipts/receipt';
import { fail, ok, type Result } from '@/core/result';
import { acceptanceOf } from '@/db/queries/handed-over';
import { sharedVersion } from '@/db/queries/receipts';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import type { Box } from '../secrets/box';
import { ALGORITHM, keyToSign } from './keys';

export type ReceiptFile = {
  receipt: Receipt;
  content: { title: string; doc: Doc };
  jws: { protected: string; payload: string; signature: string };
};

const time = (at: number) => new Date(at).toISOString();

/**
 * The signed receipt of a version of a post, for its author. The deadline is the author's own as it stands when
 * the receipt is issued; everything else was settled when the post was shared.
 */
export async function issueReceipt(
  deps: Deps & { box: Box },
  actor: Actor,
  post: PostId,
  version: number | null,
): Promise<Result<{ file: ReceiptFile; zone: string }, NotFound>> {
  const shared = await sharedVersion(deps.db, post, version);
  if (shared?.author.id !== actor.id) return fail({ code: 'not-found' });
  const door = await enterDiscussion(deps, actor, shared.slug);
  if (!door.ok || door.value.record.course.outside) return fail({ code: 'not-found' });
  const { record, schedule } = door.value;
  const accepted = shared.n === 1 ? await acceptanceOf(deps.db, post) : null;
  const { due } = shared.kind === 'response' ? schedule.response : schedule.replies;
  const receipt: Receipt = {
    issuer: 'Pulpit',
    form: 1,
    issuedAt: time(deps.now),
    author: shared.author,
    course: { code: record.course.code, title: record.course.title },
    discussion: { slug: record.slug, title: record.title },
    post: {
      number: shared.post,
      version: shared.n,
      kind: shared.kind,
      replyTo: shared.replyTo,
      ownWords: shared.ownWords,
    },
    sharedAt: time(shared.sharedAt),
    // The last moment in time: 18:00 lasts to the end of its minute (rule 6).
    deadline: time(due - 1),
    marginSeconds: Math.trunc((due - shared.sharedAt) / 1_000),
    checks: shared.checks,
    contentSha256: shared.fingerprint,
    ...(accepted
      ? {
          accepted: {
            handedAt: time(accepted.handedAt),
            acceptedAt: time(accepted.acceptedAt),
            by: accepted.by,
            reason: accepted.reason,
          },
        }
      : {}),
  };
  const key = await keyToSign(deps);
  const jws = await new FlattenedSign(new TextEncoder().encode(canonicalJson(receipt)))
    .setProtectedHeader({ alg: ALGORITHM, kid: key.id, typ: 'pulpit-receipt+json' })
    .sign(key.key);
  return ok({
    zone: schedule.zone,
    file: {
      receipt,
      content: { title: shared.title, doc: shared.doc },
      jws: { protected: jws.protected ?? '', payload: jws.payload, signature: jws.signature },
    },
  });
}
