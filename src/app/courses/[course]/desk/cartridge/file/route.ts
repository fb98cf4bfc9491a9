import { deskCartridgeAt } from '@/contract/addresses';
import { cartridgeOf } from '@/server/desk/cartridge';
import { ownContent } from '../../../../../_request/endpoint';
import { withFiles } from '../../../../../_request/session';

/** The whole course as a Common Cartridge. */
export const GET = ownContent<'course'>(
  'keep the desk',
  ({ course }) => deskCartridgeAt(course),
  async ({ who, params: { course } }) => {
    const made = await cartridgeOf(withFiles(who.deps), who.actor, course);
    if (!made.ok) return new Response('There is no such course for you.\n', { status: 404 });
    const { name, bytes } = made.value;
    return new Response(Buffer.from(bytes), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${name.replace(/[^\w.-]/gu, '-')}"`,
        'cache-control': 'private, no-store',
        'x-content-type-options': 'nosniff',
      },
    });
  },
);
