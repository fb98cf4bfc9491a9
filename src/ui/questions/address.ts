import { questionAt, questionsAt } from '@/contract/addresses';
import type { QuestionsPage } from '@/contract/questions';
import type { Asking } from '@/core/questions/asking';

type Shown = Pick<QuestionsPage, 'show' | 'week' | 'label' | 'at'>;

const shown = ({ show, week, label, at }: Shown) => ({
  show: show === 'all' ? null : show,
  week,
  label,
  page: at > 1 ? at : null,
});

/** The list of questions, narrowed in this way. */
export const listAt = (page: QuestionsPage, change: Partial<Shown> = {}) =>
  questionsAt(page.course.slug, shown({ show: 'all', week: null, label: null, at: 1, ...change }));

/** A question, with the list as it is beside it. */
export const openAt = (page: QuestionsPage, number: number) =>
  questionAt(page.course.slug, number, shown(page));

/** The page to ask on, with what is chosen on it. */
export const askAt = (course: string, { kind, audience, cover, about }: Asking) =>
  questionsAt(course, {
    ask: kind,
    to: audience === 'everybody' ? null : audience,
    name: cover === 'no' ? null : cover,
    about: about && JSON.stringify(about),
  });
