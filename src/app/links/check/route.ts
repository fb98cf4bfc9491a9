import { checkingLinks } from '@/contract/links';
import { fail, ok } from '@/core/result';
import { asking } from '@/server/links/allowance';
import { checkLink } from '@/server/links/check';
import { json } from '../../_request/endpoint';

/** Whether links lead anywhere; each is asked for some seconds at most, all at once. */
export const POST = json('ask about a link', checkingLinks, async ({ who, input: { links } }) => {
  const told = await asking(who.actor.id, links.length, performance.now(), () =>
    Promise.all(links.map((link) => checkLink(link))),
  );
  return told ? ok({ links: told }) : fail({ code: 'too-many-links' });
});
