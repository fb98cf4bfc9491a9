import { filesIn } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';

/** A document as it is stored, with the files it carries: nothing looks into it again for them. */
export const docColumns = (doc: Doc) => ({ doc: JSON.stringify(doc), files: filesIn(doc) });

/** The same for the prompt of a discussion. */
export const promptColumns = (prompt: Doc) => ({ prompt: JSON.stringify(prompt), files: filesIn(prompt) });
