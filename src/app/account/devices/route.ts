import { accountAt } from '@/contract/addresses';
import { signOutThere } from '@/server/people/account';
import { form } from '../../_request/endpoint';
import { seeOther } from '../../_request/write';

/** Signs out one place where one is signed in, or everywhere else. */
export const POST = form(
  'keep oneself',
  () => accountAt(),
  async ({ who, fields }) => {
    const device = fields.get('device') ?? '';
    const elsewhere = device === 'elsewhere';
    if (!elsewhere && !/^[0-9a-f-]{36}$/u.test(device)) return seeOther(accountAt());
    await signOutThere(who.deps, who.actor, elsewhere ? { allBut: who.session } : { id: device });
    return seeOther(accountAt({ answer: elsewhere ? 'signed-out-elsewhere' : 'signed-out-there' }));
  },
);
