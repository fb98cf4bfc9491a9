import { Readable } from 'node:stream';
import { accountAt } from '@/contract/addresses';
import { ownArchive } from '@/server/people/archive';
import { mayTry } from '@/server/sessions/tries';
import { disposition } from '../../_request/disposition';
import { ownContent } from '../../_request/endpoint';
import { comingFrom, withBox, withFiles } from '../../_request/session';
import { seeOther } from '../../_request/write';

/** Everything of one's own as one archive. */
export const GET = ownContent(
  'keep oneself',
  () => accountAt(),
  async ({ who }) => {
    const { network } = await comingFrom();
    if (!(await mayTry(who.deps, 'archive', { about: who.actor.id, network })))
      return seeOther(accountAt({ answer: 'too-many-tries' }));
    const day = new Date(who.deps.now).toISOString().slice(0, 10);
    return new Response(
      Readable.toWeb(Readable.from(ownArchive(withFiles(withBox(who.deps)), who.actor))) as ReadableStream,
      {
        headers: {
          'content-type': 'application/zip',
          'content-disposition': disposition('attachment', `pulpit-${day}.zip`),
          'cache-control': 'private, no-store',
        },
      },
    );
  },
);
