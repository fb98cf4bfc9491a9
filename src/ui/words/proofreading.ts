import type { FindingKind } from '@/core/proofread/finding';

const KINDS: Record<FindingKind, string> = {
  spelling: 'Spelling',
  name: 'A name',
  'doubled-word': 'Written twice',
  'open-quotation': 'Quotation mark left open',
  blank: 'A blank too few or too many',
  agreement: 'Pronoun and verb',
  unquoted: 'Without quotation marks',
  attachment: 'Nothing is attached',
  part: 'No answer yet',
  link: 'Link',
  alt: 'A picture without a description',
};
export const findingName = (kind: FindingKind) => KINDS[kind];

/** What a finding says, with the words it is about. */
export function findingText(f: { kind: FindingKind; text: string; about?: string }): string {
  const words = f.text.length > 90 ? `${f.text.slice(0, 90)}…` : f.text;
  switch (f.kind) {
    case 'spelling':
      return `“${words}” is not in the dictionary.`;
    case 'name':
      return `“${words}”: do you mean ${f.about}?`;
    case 'doubled-word':
    case 'blank':
    case 'agreement':
      return `“${words}”`;
    case 'open-quotation':
      return `${words} …: the closing mark is missing.`;
    case 'unquoted':
      return `“${words}” stands word for word in “${f.about}”. Mark it as a quotation, or say it in your own words.`;
    case 'attachment':
      return `You write “${words}”, and nothing is attached.`;
    case 'part':
      return `Question ${f.about} has no answer under it.`;
    case 'alt':
      return `${words ? `“${words}”: s` : 'S'}omebody who cannot see this picture is told nothing. Say in a sentence what it shows.`;
    case 'link':
      return `${words}: ${f.about}`;
  }
}

/** What a link answered, where that is worth saying; null for a good one. */
export function linkTrouble(answer: { state: string; status?: number }): string | null {
  switch (answer.state) {
    case 'good':
      return null;
    case 'error':
      return answer.status === 404 || answer.status === 410
        ? 'there is no such page.'
        : `the site answers with error ${answer.status}.`;
    case 'not-found-name':
      return 'there is no site of that name, as far as could be asked from here.';
    case 'private':
      return 'it leads into a private network, where classmates cannot follow.';
    default:
      return 'the site did not answer within a few seconds; try it yourself.';
  }
}
