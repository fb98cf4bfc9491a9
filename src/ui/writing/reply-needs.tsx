import type { Answering } from '@/contract/conversation-view';
import type { Brief } from '@/core/brief/brief';
import type { Compared } from '@/core/drafts/difference';
import type { Editor } from '@tiptap/core';
import { calledName, list } from '../words/plural';
import { replyRules } from '../words/rules';
import { moment } from '../words/time';
import { AnsweredChanged } from './answered-changed';
import { Greeting } from './greeting';

/** Over a reply: what it needs, and whether the post was changed since it was begun. */
export function ReplyNeeds(props: {
  brief: Brief;
  answering: Answering;
  changed: { at: number; compared: Compared | null } | null;
  editor: Editor | null;
  outside: boolean;
  zone: string;
}) {
  const { answering, changed, editor, outside } = props;
  const called = calledName(answering.name);
  const asked = replyRules(props.brief);
  return (
    <>
      <p className="border-b border-rule bg-page-2 px-4 py-2.5 text-[12.5px] text-ink-2 sm:px-5 lg:rounded-tr-plate">
        <b className="text-ink">Your reply to {called}</b> needs{' '}
        {list(asked.required) || 'nothing in particular'}.
        {asked.advised.length ? ` Advised: ${list(asked.advised)}.` : ''}
        {outside ? '' : ' Private replies don’t count.'}{' '}
        {editor && !answering.self ? <Greeting editor={editor} name={called} /> : null}
      </p>
      {changed ? (
        <details className="border-b border-rule bg-ochre-tint px-4 py-2 text-[13px] sm:px-5">
          <summary className="min-h-6 font-semibold">
            {called} changed this post {moment(changed.at, props.zone)}, after you began. Show what changed
          </summary>
          <AnsweredChanged name={called} texts={changed} />
        </details>
      ) : null}
    </>
  );
}
