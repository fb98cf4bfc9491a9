import type { Answering } from '@/contract/conversation-view';
import type { Brief } from '@/core/brief/brief';
import type { Compared } from '@/core/drafts/difference';
import type { Editor } from '@tiptap/core';
import { calledName, list } from '../words/plural';
import { replyRules } from '../words/rules';
import { moment } from '../words/time';
import { AnsweredChanged } from './answered-changed';
import { Greeting } from './greeting';

/** What a reply needs. */
export function ReplyNeeds(props: {
  brief: Brief;
  answering: Answering;
  editor: Editor | null;
  outside: boolean;
}) {
  const { answering, editor, outside } = props;
  const called = calledName(answering.name);
  const asked = replyRules(props.brief);
  return (
    <p className="text-[12.5px] text-ink-2 lg:rounded-tr-plate lg:border-b lg:border-rule lg:bg-page-2 lg:px-5 lg:py-2.5">
      <b className="text-ink">Your reply to {called}</b> needs{' '}
      {list(asked.required) || 'nothing in particular'}.
      {asked.advised.length ? ` Advised: ${list(asked.advised)}.` : ''}
      {outside ? '' : ' Private replies don’t count.'}{' '}
      {editor && !answering.self ? <Greeting editor={editor} name={called} /> : null}
    </p>
  );
}

/** The post was changed since the reply to it was begun. */
export const AnsweredSince = (props: {
  name: string;
  changed: { at: number; compared: Compared | null };
  zone: string;
}) => (
  <details className="border-b border-rule bg-ochre-tint px-4 py-2 text-[13px] sm:px-5">
    <summary className="min-h-6 font-semibold">
      {props.name} changed this post {moment(props.changed.at, props.zone)}, after you began. Show what
      changed
    </summary>
    <AnsweredChanged name={props.name} texts={props.changed} />
  </details>
);
