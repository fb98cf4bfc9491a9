import { isStaff } from '@/core/ids';
import { Avatar } from '../frame/avatar';
import { plural } from '../words/plural';
import type { CoursePerson } from '@/contract/course';

const ROLES = { instructor: 'Instructor', assistant: 'Assistant', student: 'Student', observer: 'Observer' };

/** Who is in a course: staff with their addresses, then the class. */
export function People({ people, me }: { people: CoursePerson[]; me: string }) {
  const staff = people.filter((p) => isStaff(p.role));
  const students = people.filter((p) => p.role === 'student');
  const observers = people.filter((p) => p.role === 'observer');
  const row = (p: CoursePerson) => (
    <li
      key={p.id}
      id={`person-${p.id}`}
      className="flex items-center gap-3 border-t border-rule-soft px-4 py-2.5 target:bg-ochre-tint first:border-t-0"
    >
      <Avatar name={p.name} mine={p.id === me} picture={p.picture} />
      <span className="min-w-0">
        <b className="block truncate">
          {p.name}
          {p.id === me ? ' (you)' : ''}
          {p.saidAs ? <span className="font-normal text-ink-2"> · {p.saidAs}</span> : null}
        </b>
        <span className="block truncate text-[13px] text-ink-2">
          {ROLES[p.role]}
          {p.group ? ` · ${p.group}` : ''}
          {p.email ? (
            <>
              {' · '}
              <a className="link" href={`mailto:${p.email}`}>
                {p.email}
              </a>
            </>
          ) : null}
        </span>
      </span>
    </li>
  );
  return (
    <div className="grid gap-5">
      <section aria-labelledby="staff">
        <h2 id="staff" className="mb-2 text-[18px]">
          Staff
        </h2>
        <ul className="plate">{staff.map(row)}</ul>
      </section>
      <section aria-labelledby="class">
        <h2 id="class" className="mb-2 text-[18px]">
          {plural(students.length, 'student')}
        </h2>
        <ul className="plate sm:columns-2 sm:gap-0 sm:[&>li]:break-inside-avoid">{students.map(row)}</ul>
      </section>
      {observers.length ? (
        <section aria-labelledby="observers">
          <h2 id="observers" className="mb-2 text-[18px]">
            {plural(observers.length, 'observer')}
          </h2>
          <p className="mb-2 text-ink-2">They read what the class reads, and write nothing.</p>
          <ul className="plate">{observers.map(row)}</ul>
        </section>
      ) : null}
    </div>
  );
}
