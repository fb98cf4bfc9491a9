import { accountAt } from '@/contract/addresses';
import { accountPage } from '@/server/people/account';
import { AccountView } from '@/ui/account/account-view';
import { peopleDone, peopleTrouble } from '@/ui/words/people';
import { Frame } from '../_request/frame';
import { queryOf } from '../_request/query';
import { requireVisitor } from '../_request/session';
import { zones } from '../_request/zones';
import { beginSecond, endSecond, renewCodes } from './second/actions';
import { changeOwnPassword, endOwn, joinCourse, keepSelf, newAddress } from './actions';

export const metadata = { title: 'Your account' };

type Props = { searchParams: Promise<{ answer?: string }> };

export default async function Account({ searchParams }: Props) {
  const who = await requireVisitor(accountAt());
  const [account, { answer }] = await Promise.all([
    accountPage(who.deps, who.actor, who.session),
    queryOf(searchParams),
  ]);
  const good = answer ? peopleDone(answer) : null;
  return (
    <Frame visitor={who} here={accountAt()} place="account">
      <AccountView
        account={account}
        zones={zones()}
        answer={answer ? { good: good !== null, text: good ?? peopleTrouble(answer) } : null}
        actions={{
          self: keepSelf,
          password: changeOwnPassword,
          address: newAddress,
          end: endOwn,
          join: joinCourse,
          beginSecond,
          renewCodes,
          endSecond,
        }}
      />
    </Frame>
  );
}
