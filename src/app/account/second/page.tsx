import { redirect } from 'next/navigation';
import { toString as svgOf } from 'qrcode';
import { accountAt, secondFactorAt } from '@/contract/addresses';
import { proposedSecondFactor } from '@/server/ways-in/second-factor';
import { SecondSetUp } from '@/ui/account/second-factor';
import { Frame } from '../../_request/frame';
import { requireVisitor, withBox } from '../../_request/session';
import { confirmSecond } from './actions';

export const metadata = { title: 'A second factor' };

export default async function SecondFactorPage() {
  const who = await requireVisitor(secondFactorAt());
  const proposed = await proposedSecondFactor(withBox(who.deps), who.actor);
  if (!proposed) redirect(accountAt());
  const picture = await svgOf(proposed.address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
  return (
    <Frame visitor={who} here={secondFactorAt()} place="account">
      <SecondSetUp
        action={confirmSecond}
        secret={proposed.secret}
        address={proposed.address}
        picture={`data:image/svg+xml;base64,${Buffer.from(picture).toString('base64')}`}
      />
    </Frame>
  );
}
