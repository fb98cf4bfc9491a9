import { countWords } from '@/core/text/words';
import { attachmentsIn } from '@/core/document/attachments';
import type { BlockNode, Doc } from '@/core/document/nodes';
import { notesIn, plainText } from '@/core/document/flatten';
import { list, plural } from './plural';
import { troubleText, type Trouble } from './outside';

export type Left = Partial<
  Record<'macros' | 'comments' | 'deleted' | 'outside' | 'objects' | 'unread-pictures', number>
>;
export type BringInTrouble = Trouble;

const count = (doc: Doc, is: (node: BlockNode) => boolean) => doc.content.filter(is).length;

/** What a file brings, counted. */
export function broughtText({ doc }: { doc: Doc }): string {
  const counted: [number, string, string?][] = [
    [countWords(plainText(doc)), 'word'],
    [count(doc, (n) => n.type === 'heading' || n.type === 'partHeading'), 'heading'],
    [count(doc, (n) => n.type === 'bulletList' || n.type === 'orderedList'), 'list'],
    [count(doc, (n) => n.type === 'table'), 'table'],
    [attachmentsIn(doc).length, 'picture'],
    [notesIn(doc).length, 'note'],
  ];
  const parts = counted.filter(([n]) => n > 0).map(([n, one]) => plural(n, one));
  return `It brings ${list(parts.length ? parts : ['no words'])}.`;
}

const LEFT: Record<keyof Left, (n: number) => string> = {
  comments: (n) => plural(n, 'comment'),
  deleted: (n) => plural(n, 'passage', 'passages') + ' marked as deleted',
  'unread-pictures': (n) => `${plural(n, 'picture')} that could not be read`,
  outside: (n) => `${plural(n, 'picture')} from outside the file, which Pulpit does not fetch`,
  objects: (n) => `${plural(n, 'drawing or object', 'drawings or objects')}`,
  macros: () => 'its macros',
};

/** What of a file does not come along. */
export function leftBehindText(left: Left): string {
  const more = (Object.keys(LEFT) as (keyof Left)[]).flatMap((key) => {
    const n = left[key] ?? 0;
    return n > 0 ? [LEFT[key](n)] : [];
  });
  return `Left behind: ${list(['typefaces, sizes and colours', ...more])}.`;
}

/** Why a file could not be brought in. */
export function bringInTrouble(t: BringInTrouble): string {
  const name = `“${t.name ?? 'The file'}”`;
  switch (t.code) {
    case 'file-too-large':
      return `${name} is larger than 12 MB, so it was not read. Your draft is as it was. Save it with smaller pictures, or paste its text.`;
    case 'file-unknown':
      return `${name} is no text that Pulpit can read, so nothing was brought in. Word (.docx), OpenDocument (.odt), .rtf, Markdown, HTML and plain text can be.`;
    case 'text-too-long':
      return `${name} is too long for one post, so it was not brought in. Your draft is as it was.`;
    case 'no-answer':
      return 'Pulpit did not answer, so the file was not read. Your draft is as it was; try again.';
    case 'signed-out':
      return 'You are signed out. Your draft is kept on this machine; sign in in another window and choose the file again.';
    default:
      return troubleText(t);
  }
}
