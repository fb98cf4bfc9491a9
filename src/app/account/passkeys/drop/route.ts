import { accountAt } from '@/contract/addresses';
import { dropPasskey } from '@/server/ways-in/passkeys';
import { form } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

const LONGEST = 1_400;

/** Takes one of one's passkeys away. */
export const POST = form(
  'keep oneself',
  () => accountAt(),
  async ({ who, fields }) => {
    const dropped = await dropPasskey(who.deps, who.actor, (fields.get('passkey') ?? '').slice(0, LONGEST));
    return seeOther(accountAt({ answer: dropped.ok ? 'passkey-gone' : dropped.failure.code }));
  },
);
