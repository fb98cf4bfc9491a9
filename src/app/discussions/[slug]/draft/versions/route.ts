import { draftVersionList } from '@/contract/writing';
import { ok } from '@/core/result';
import { draftVersions } from '@/server/drafts/versions';
import { json } from '../../../../_request/endpoint';

/** The earlier versions of one's own draft. */
export const GET = json('write', draftVersionList, async ({ who, params, input }) => {
  const versions = await draftVersions(who.deps, who.actor, params.slug, input);
  return versions.ok ? ok({ versions: versions.value }) : versions;
});
