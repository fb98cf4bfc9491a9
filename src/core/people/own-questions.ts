import { briefSchema, type Brief } from '../brief/brief';
import type { Doc } from '../document/nodes';

/**
 * What somebody asked and answered among the questions of a course, as a discussion that asks for nothing: where nobody teaches,
 * a course has no questions of its own.
 */
export const QUESTIONS_KEPT: { title: string; brief: Brief; prompt: Doc } = {
  title: 'Among the questions',
  brief: briefSchema.parse({ response: { asked: false }, replies: { count: 0 } }),
  prompt: {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          {
            type: 'text',
            text: 'What I asked, told and answered among the questions of this course. Nothing is owed here.',
          },
        ],
      },
    ],
  },
};
