import { stewardsPeopleAt } from '@/contract/addresses';
import { allCourses } from '@/server/stewards/courses';
import { peoplePage } from '@/server/stewards/people';
import { PeopleRoom } from '@/ui/stewards/people';
import { queryOf } from '../../_request/query';
import { answerOf, requireSteward, StewardsFrame } from '../../_request/stewards';
import { inviteSomebody } from '../actions';

export const metadata = { title: 'People' };

type Props = { searchParams: Promise<{ q?: string; page?: string; answer?: string }> };

export default async function PeoplePage({ searchParams }: Props) {
  const { who } = await requireSteward(stewardsPeopleAt());
  const { q = '', page = '', answer } = await queryOf(searchParams);
  const asked = { words: q.slice(0, 200).trim(), page: /^[1-9]\d{0,4}$/u.test(page) ? Number(page) : 1 };
  const [list, courses] = await Promise.all([peoplePage(who.deps, asked), allCourses(who.deps)]);
  return (
    <StewardsFrame who={who} here={stewardsPeopleAt()} room="people" title="People" answer={answerOf(answer)}>
      <PeopleRoom
        list={list}
        zone={who.actor.timeZone}
        courses={courses.map(({ id, code }) => ({ id, code }))}
        invite={inviteSomebody.bind(null, stewardsPeopleAt())}
      />
    </StewardsFrame>
  );
}
