import type { ChosenKind } from '@/core/notices/kinds';
import { KIND_WORDS } from '../words/notices';
import { Brand } from '../frame/brand';

/** What a link in a mail leads to: one button, or that it was done. */
export function LessMail(props: {
  kind: ChosenKind | 'deadline' | null;
  done: boolean;
  action: string;
  notices: string;
}) {
  const { kind } = props;
  const what = kind === 'deadline' ? 'Reminders of deadlines' : kind ? KIND_WORDS[kind] : '';
  return (
    <main id="main" className="mx-auto grid max-w-[560px] gap-4 px-4 py-10">
      <Brand />
      <div className="plate grid gap-3 px-6 py-5">
        {kind === null ? (
          <>
            <h1 className="text-[22px]">This address does not work</h1>
            <p>It may have been cut on the way. On your page of notices you choose what comes by mail.</p>
          </>
        ) : props.done ? (
          <>
            <h1 className="text-[22px]">No such mail any more</h1>
            <p role="status">
              <b>{what}</b>:{' '}
              {kind === 'deadline'
                ? 'none are sent any more'
                : 'they stand in Pulpit, and no mail is sent of them'}
              .
            </p>
          </>
        ) : (
          <>
            <h1 className="text-[22px]">No mail of this kind any more?</h1>
            <p>
              <b>{what}</b>{' '}
              {kind === 'deadline'
                ? 'will not be sent any more.'
                : 'will stand in Pulpit, and no mail is sent of them.'}{' '}
              Announcements go on coming: they reach everybody.
            </p>
            <form action={props.action} method="post">
              <button className="btn go">No such mail any more</button>
            </form>
          </>
        )}
        <p>
          <a className="link" href={props.notices}>
            Everything about how notices reach you
          </a>
        </p>
      </div>
    </main>
  );
}
