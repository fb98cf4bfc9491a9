import { stewardsCorrectionsAt } from '@/contract/addresses';
import { correctionsFile, forgetCorrections } from '@/server/outside/corrections';
import { disposition } from '../../../_request/disposition';
import { stewardForm } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

/** Gives what was put right as a file, or forgets all of it. */
export const POST = stewardForm(
  () => stewardsCorrectionsAt(),
  async ({ who, steward, fields, page }) => {
    if (fields.get('act') === 'file')
      return new Response(await correctionsFile(who.deps), {
        headers: {
          'content-type': 'application/x-ndjson; charset=utf-8',
          'content-disposition': disposition('attachment', 'corrections.jsonl'),
          'cache-control': 'private, no-store',
        },
      });
    if (fields.get('act') !== 'forget') return seeOther(page);
    await forgetCorrections(who.deps, steward);
    return seeOther(stewardsCorrectionsAt({ answer: 'corrections-forgotten' }));
  },
);
