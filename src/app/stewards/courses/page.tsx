import { stewardsCoursesAt } from '@/contract/addresses';
import { theCollege } from '@/server/stewards/college';
import { allCourses } from '@/server/stewards/courses';
import { Courses } from '@/ui/stewards/courses';
import { requireSteward, StewardsFrame } from '../../_request/stewards';
import { zones } from '../../_request/zones';
import { makeNewCourse } from '../actions';

export const metadata = { title: 'Courses' };

export default async function CoursesPage() {
  const { who } = await requireSteward(stewardsCoursesAt());
  const [courses, college] = await Promise.all([allCourses(who.deps), theCollege(who.deps)]);
  return (
    <StewardsFrame who={who} here={stewardsCoursesAt()} room="courses" title="Courses">
      <Courses courses={courses} zones={zones()} zone={college.timeZone} make={makeNewCourse} />
    </StewardsFrame>
  );
}
