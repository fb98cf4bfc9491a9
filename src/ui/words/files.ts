import { own } from '@/core/own';

/** "340 KB", "2.4 MB": powers of ten, as most systems show them to people. */
export function sizeText(bytes: number): string {
  if (bytes < 1_000) return `${bytes} bytes`;
  if (bytes < 1_000_000) return `${Math.round(bytes / 1_000)} KB`;
  return `${(bytes / 1_000_000).toFixed(1)} MB`;
}

const TYPES: Record<string, string> = {
  'application/pdf': 'PDF',
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document': 'Word document',
  'application/vnd.oasis.opendocument.text': 'OpenDocument text',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet': 'Excel sheet',
  'application/vnd.openxmlformats-officedocument.presentationml.presentation': 'PowerPoint slides',
  'application/rtf': 'Rich text',
  'application/zip': 'ZIP archive',
  'text/plain': 'Text',
};
const FAMILIES: Record<string, string> = { audio: 'Sound', video: 'Film', image: 'Picture' };

/** What a file is, in a word or two. */
export const fileTypeText = (mediaType: string) =>
  own(TYPES, mediaType) ?? own(FAMILIES, mediaType.split('/')[0]) ?? 'File';

/** Why a file was not taken, and what to do. The text is never touched by it. */
export function sendingFailureText(failure: { code: string; most?: number | undefined }): string {
  switch (failure.code) {
    case 'file-too-large':
      return `It is larger than ${sizeText(failure.most ?? 26_214_400)}, so it was not taken. Save it smaller, or link to it.`;
    case 'empty-file':
      return 'The file is empty, so there is nothing to attach.';
    case 'quota-person':
      return `Your files in this course fill the ${sizeText(failure.most ?? 0)} you have. Take some out of your drafts, or link to this one; it was not taken.`;
    case 'quota-course':
    case 'store-full':
      return 'There is no room for files at the moment, so it was not taken. Your text is not touched: share it without the file, or link to it.';
    case 'program':
      return 'This is a program, and programs are not taken: classmates could not trust it.';
    case 'broken-picture':
      return 'This picture cannot be read: it is cut off, too large to draw, or not what its name says. It was not taken; open it and save it anew.';
    case 'not-found':
      return 'It was not taken: it was given up meanwhile, or this discussion is no longer open to you. Attach it again.';
    case 'signed-out':
      return 'You are no longer signed in, so it was not sent. Sign in in another tab, then try again.';
    case 'no-answer':
      return 'Pulpit does not answer. What was sent stays there for a day; try again when the connection is back.';
    default:
      return 'That did not work, and your text is not touched. Try again.';
  }
}
