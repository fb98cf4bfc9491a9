import { beginAt, confirmAddressAt, invitationAt, passwordAt, signInAt } from '@/contract/addresses';
import { own } from '@/core/own';
import { openForm } from '../../_request/endpoint';
import { handKey } from '../../_request/session';
import { seeOther } from '../../_request/write';

const PAGES: Record<string, () => string> = {
  'first-run': beginAt,
  invitation: invitationAt,
  password: passwordAt,
  address: confirmAddressAt,
};

/** Takes the key of a link, and gives it back as a cookie to the page that it is for. */
export const POST = (request: Request, context: { params: Promise<{ purpose: string }> }) =>
  openForm('hand a key over', async ({ fields }) => {
    const { purpose } = await context.params;
    const page = own(PAGES, purpose);
    if (!page) return seeOther(signInAt());
    await handKey(purpose, (fields.get('key') ?? '').trim().slice(0, 200) || null);
    return seeOther(page());
  })(request);
