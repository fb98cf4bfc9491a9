import dynamic from 'next/dynamic';
import type { Answering } from '@/contract/conversation-view';
import { shortfall } from '../words/checks';
import { calledName, list } from '../words/plural';
import { AnsweredChanged } from './answered-changed';
import { ConfirmShare } from './confirm-share';
import type { Text } from './draft-keeper';
import type { LiveChecks } from './live-checks';
import type { ReplySharing } from './use-reply-sharing';
import { lacking, LackingLine, WithFigures } from './with-figures';

// What is posted elsewhere is said in courses of one's own alone.
const PostedThere = dynamic(() => import('../outside/posted-there').then((m) => m.PostedThere));

/** What is asked before a reply is shared: each leaves the text as it is. */
export function ReplyQuestions(props: {
  sharing: ReplySharing;
  answering: Answering;
  live: LiveChecks;
  text: () => Text;
  outside: boolean;
  now: number;
  ownZone: string;
}) {
  const { sharing, answering, live } = props;
  const { asking, setAsking, newer, goOn } = sharing;
  const called = calledName(answering.name);
  const close = () => setAsking(null);
  return (
    <>
      {props.outside ? (
        <PostedThere
          open={asking === 'posted'}
          close={close}
          what={`this reply to ${called}`}
          doc={asking === 'posted' ? props.text().doc : undefined}
          now={props.now}
          zone={props.ownZone}
          onGo={(postedAt) => goOn({ postedAt })}
        >
          <LackingLine live={live} />
        </PostedThere>
      ) : null}
      <ConfirmShare
        open={asking === 'changed'}
        close={sharing.lookAgain}
        title={`${called} changed the post meanwhile`}
        go="Share it all the same"
        onGo={sharing.goOnToNewer}
      >
        <p>Your reply is not shared yet and is kept as a draft. What is different now:</p>
        {newer ? <AnsweredChanged name={called} texts={{ before: answering, now: newer }} /> : null}
      </ConfirmShare>
      <ConfirmShare
        open={asking === 'repeated'}
        close={close}
        title="The same again?"
        go="Share it all the same"
        onGo={() => goOn({})}
      >
        <p>
          This is nearly the same as your reply to {sharing.repeats()?.name ?? 'another classmate'}. {called}{' '}
          and your instructors will see that. One sentence about something {called} wrote makes it an answer.
        </p>
      </ConfirmShare>
      <ConfirmShare
        open={asking === 'private'}
        close={close}
        title={`Share with ${called} only?`}
        go={`Share with ${called} only`}
        onGo={() => goOn({ privately: true })}
      >
        <p>Only {called} and your instructors will be able to read it. Private replies are not counted.</p>
      </ConfirmShare>
      <ConfirmShare
        open={asking === 'short'}
        close={close}
        title="Share it short?"
        go="Share it as it is"
        onGo={() => goOn({})}
      >
        <p>
          The prompt asks for more:{' '}
          <WithFigures live={live}>{({ checks }) => list(lacking(checks).map(shortfall))}</WithFigures>. It
          will be shared, but not counted as it stands.
        </p>
      </ConfirmShare>
    </>
  );
}
