import { deskSyllabusAt, discussionAt, signSyllabusAt } from '@/contract/addresses';
import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Contradiction, Inconsistency } from '@/core/syllabus/contradictions';
import type { LateRule } from '@/core/deadlines/late';
import type { Habit, Syllabus } from '@/core/syllabus/syllabus';
import { habitText, inconsistencyText, weekdayName } from '../words/contradictions';
import { lateShort, lateText } from '../words/deadlines';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { Contradicted } from './contradicted';

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-t border-rule-soft px-5 py-4 first:border-t-0">
      <h2 className="mb-1.5 text-[16.5px]">{title}</h2>
      {children}
    </section>
  );
}

function Pairs({ rows }: { rows: [string, string][] }) {
  return (
    <dl className="grid content-start grid-cols-[auto_1fr] gap-x-5 gap-y-1 text-[14px]">
      {rows.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd className="font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

type OwnRules = {
  slug: string;
  title: string;
  week: number;
  late: LateRule;
  response: Habit;
  replies: Habit | null;
  found: Contradiction[];
};

/** What each discussion says for itself, beside the syllabus; what differs is pointed out. */
function OwnRulesOf({ discussions }: { discussions: OwnRules[] }) {
  const odd = discussions.filter((d) => d.found.length).length;
  return (
    <section aria-labelledby="own-rules">
      <h2 id="own-rules" className="mb-1 text-[16px]">
        What each discussion says
      </h2>
      <p className="mb-2 text-[13px] text-ink-2">
        {odd
          ? `${plural(odd, 'discussion says', 'discussions say')} other than the syllabus.`
          : 'Every discussion keeps to the syllabus.'}
      </p>
      <ul className="plate px-4 py-1 text-[13px]">
        {discussions.map((d) => (
          <li key={d.slug} className="border-t border-rule-soft py-2.5 first:border-t-0">
            <Link href={discussionAt(d.slug)} className="title-link font-semibold">
              Week {d.week}: {d.title}
            </Link>
            <span className="block text-ink-2">
              Response {habitText(d.response)}
              {d.replies ? `, replies ${habitText(d.replies)}` : ''} · {lateShort(d.late)}
            </span>
            <Contradicted found={d.found} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Whether the reader has signed it as it stands. */
function Signing(props: { course: string; version: number; signedAt: number | null; zone: string }) {
  if (props.signedAt !== null)
    return (
      <p className="px-5 py-3 text-ink-2">
        You signed this syllabus on {moment(props.signedAt, props.zone)}.
      </p>
    );
  return (
    <form
      action={signSyllabusAt(props.course)}
      method="post"
      className="flex flex-wrap items-center gap-3 rounded-t-plate bg-ochre-tint px-5 py-3"
    >
      <input type="hidden" name="version" value={props.version} />
      <span className="grow basis-60">
        <b>Your instructors ask you to sign this syllabus.</b> Read it; it is signed as it stands now, and you
        are asked again once it is changed.
      </span>
      <button type="submit" className="btn go">
        I have read it, and sign it
      </button>
    </form>
  );
}

/** The syllabus in the form Pulpit can compare with: and where the discussions do otherwise. */
export function SyllabusView(props: {
  course: string;
  /** Who teaches it writes it. */
  staff: boolean;
  toSign: { version: number; signedAt: number | null } | null;
  zone: string;
  syllabus: Syllabus | null;
  inconsistencies: Inconsistency[];
  discussions: OwnRules[];
}) {
  const { syllabus } = props;
  if (!syllabus) {
    return (
      <p className="plate px-5 py-4 text-ink-2">
        This course has no syllabus in Pulpit yet.{' '}
        {props.staff ? (
          <Link className="link" href={deskSyllabusAt(props.course)}>
            Write it
          </Link>
        ) : null}
      </p>
    );
  }
  const paragraphs = syllabus.notes.split(/\n{2,}/u).filter(Boolean);
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_360px]">
      <div className="plate">
        {props.toSign ? <Signing {...props.toSign} course={props.course} zone={props.zone} /> : null}
        {props.staff ? (
          <p className="px-5 py-3">
            <Link className="link" href={deskSyllabusAt(props.course)}>
              Change it, or see who has signed it
            </Link>
          </p>
        ) : null}
        <Section title="Late work">
          <p className="text-[14px] font-semibold">{lateText(syllabus.late)}</p>
        </Section>
        <Section title="Deadlines">
          <Pairs
            rows={[
              ['Responses', habitText(syllabus.habits.response)],
              ['Replies', habitText(syllabus.habits.replies)],
            ]}
          />
        </Section>
        <Section title="Marks">
          <div className="grid gap-4 sm:grid-cols-2">
            <Pairs rows={syllabus.weights.map((w) => [w.what, `${w.percent} %`])} />
            <Pairs rows={syllabus.scale.map((s) => [s.grade, `from ${s.from} %`])} />
          </div>
          {props.inconsistencies.map((i) => (
            <p key={i.code} className="mt-2 rounded-control bg-ochre-tint px-3 py-2 text-[13px]">
              {inconsistencyText(i)}
            </p>
          ))}
        </Section>
        <Section title="Contact">
          <p className="text-[14px]">
            {syllabus.contact.name},{' '}
            <a className="link" href={`mailto:${syllabus.contact.email}`}>
              {syllabus.contact.email}
            </a>
            <span className="block text-ink-2">answers {syllabus.contact.answers}</span>
          </p>
          <h3 className="mt-3 text-[14px]">Office hours</h3>
          {syllabus.officeHours.length ? (
            <ul className="text-[14px]">
              {syllabus.officeHours.map((o) => (
                <li key={`${o.weekday} ${o.from}`}>
                  {weekdayName(o.weekday)} {o.from} to {o.to}, <span className="text-ink-2">{o.place}</span>
                </li>
              ))}
            </ul>
          ) : (
            <p className="text-[14px] text-ink-2">by arrangement</p>
          )}
        </Section>
        {paragraphs.length ? (
          <Section title="In the instructor’s words">
            <div className="text">
              {paragraphs.map((p) => (
                <p key={p}>{p}</p>
              ))}
            </div>
          </Section>
        ) : null}
      </div>
      <OwnRulesOf discussions={props.discussions} />
    </div>
  );
}
