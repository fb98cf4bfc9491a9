import Link from 'next/link';
import { accountAt } from '@/contract/addresses';
import { DoorPage, Trouble } from '@/ui/people/fields';
import { KeyGate } from '@/ui/people/key-gate';
import { peopleTrouble } from '@/ui/words/people';
import { Door } from '../../_request/door';
import { queryOf } from '../../_request/query';
import { handedKey } from '../../_request/session';
import { confirmOwnAddress } from './actions';

export const metadata = { title: 'Your mail address' };

type Props = { searchParams: Promise<{ problem?: string; done?: string }> };

export default async function AddressPage({ searchParams }: Props) {
  const [{ problem, done }, key] = await Promise.all([queryOf(searchParams), handedKey('address')]);
  return (
    <Door>
      <DoorPage title="Your mail address" lead="Confirm that the address the link went to is yours.">
        <Trouble text={problem ? peopleTrouble(problem) : null} />
        {done ? (
          <p role="status" className="rounded-control bg-pine-tint px-3 py-2 font-medium">
            Confirmed: your account uses this address from now on. The old one was told.
          </p>
        ) : key === null ? (
          <KeyGate purpose="address" what="Key of the mail" />
        ) : (
          <form action={confirmOwnAddress}>
            <button type="submit" className="btn go">
              This address is mine
            </button>
          </form>
        )}
        <p>
          <Link className="link" href={accountAt()}>
            To your account
          </Link>
        </p>
      </DoorPage>
    </Door>
  );
}
