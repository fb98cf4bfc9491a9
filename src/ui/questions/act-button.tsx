import { questionActAt } from '@/contract/addresses';
import type { QuestionAct } from '@/contract/questions';
import type { ReactNode } from 'react';
import { QuietForm } from '../notes/note-form';

/** One press that does something with a question, or with an answer to it; without scripts a form. */
export function ActButton(props: {
  course: string;
  number: number;
  act: QuestionAct['act'];
  post?: number;
  /** What it is done to, for its name. */
  name?: string;
  className?: string;
  /** What is said once it is done, where the page does not show it. */
  told?: string;
  children: ReactNode;
}) {
  return (
    <QuietForm action={questionActAt(props.course, props.number)} className="contents" told={props.told}>
      {props.post ? <input type="hidden" name="post" value={props.post} /> : null}
      <button name="act" value={props.act} className={props.className ?? 'link min-h-6 text-[13px]'}>
        {props.children}
        {props.name ? <span className="sr-only"> {props.name}</span> : null}
      </button>
    </QuietForm>
  );
}
