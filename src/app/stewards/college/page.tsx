import { collegeAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { theCollege } from '@/server/stewards/college';
import { CollegeForm } from '@/ui/stewards/college-form';
import { MarkForm } from '@/ui/stewards/mark-form';
import { queryOf } from '../../_request/query';
import { answerOf, requireSteward, StewardsFrame } from '../../_request/stewards';
import { zones } from '../../_request/zones';
import { keepCollege } from '../actions';

export const metadata = { title: 'College' };

type Props = { searchParams: Promise<{ answer?: string }> };

export default async function CollegePage({ searchParams }: Props) {
  const { who } = await requireSteward(collegeAt());
  const [college, { answer }] = await Promise.all([theCollege(who.deps), queryOf(searchParams)]);
  return (
    <StewardsFrame
      who={who}
      here={collegeAt()}
      room="college"
      title="College and help"
      answer={answerOf(answer)}
    >
      <MarkForm mark={college.mark} />
      <CollegeForm
        action={keepCollege}
        college={college}
        zones={zones()}
        signOn={app().signOn?.name ?? null}
      />
    </StewardsFrame>
  );
}
