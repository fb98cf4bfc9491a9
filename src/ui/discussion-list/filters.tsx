import { Chip } from '../frame/chip';
import { STATE_FILTERS } from '../words/states';
import { listAddress } from './address';
import type { DiscussionList } from '@/contract/discussion-list';

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={name} className="flex flex-wrap items-center gap-1.5">
      <span aria-hidden className="w-14 text-[12px] font-semibold text-ink-2">
        {name}
      </span>
      {children}
    </div>
  );
}

/** The filters of Discussions. Each is a link, so the address says what is shown, and Back takes a filter off again. */
export function Filters({ list }: { list: DiscussionList }) {
  const { ask, counts, courses } = list;
  const asked = { ...ask, week: undefined };
  return (
    <nav aria-label="Filters" className="grid gap-2">
      <Row name="Course">
        <Chip href={listAddress(asked, { course: undefined })} on={!ask.course}>
          All
        </Chip>
        {courses.map((c) => (
          <Chip key={c.slug} href={listAddress(asked, { course: c.slug })} on={ask.course === c.slug}>
            {c.code}
          </Chip>
        ))}
      </Row>
      <Row name="State">
        <Chip href={listAddress(asked, { state: undefined })} on={!ask.state}>
          Any <span className="font-normal">{counts.all}</span>
        </Chip>
        {STATE_FILTERS.filter(([state]) => counts.states[state] > 0 || ask.state === state).map(
          ([state, name]) => (
            <Chip key={state} href={listAddress(asked, { state })} on={ask.state === state}>
              {name} <span className="font-normal">{counts.states[state]}</span>
            </Chip>
          ),
        )}
        <span aria-hidden className="mx-1 hidden h-5 w-px bg-rule sm:block" />
        <Chip
          href={listAddress(asked, { needs: ask.needs === 'me' ? undefined : 'me' })}
          on={ask.needs === 'me'}
        >
          Needs me <span className="font-normal">{counts.needsMe}</span>
        </Chip>
        {counts.newFollowed > 0 || ask.needs === 'followed' ? (
          <Chip
            href={listAddress(asked, { needs: ask.needs === 'followed' ? undefined : 'followed' })}
            on={ask.needs === 'followed'}
          >
            New where I follow <span className="font-normal">{counts.newFollowed}</span>
          </Chip>
        ) : null}
      </Row>
    </nav>
  );
}
