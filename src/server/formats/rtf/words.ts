/** Where the words of a group go: into the text, into something that is kept aside, or nowhere. */
export type Place =
  'text' | 'styles' | 'colours' | 'note' | 'mark' | 'link' | 'picture' | 'said' | 'property' | 'nowhere';

/** Groups whose words nobody reads as the text. */
export const ASIDE: Record<string, Place> = {
  ...Object.fromEntries(
    'fonttbl info header headerl headerr headerf footer footerl footerr footerf listtable listoverridetable rsidtbl xmlnstbl themedata datastore nonshppict objdata generator annotation atnid atnauthor mmath template filetbl revtbl shpinst shp background do'
      .split(' ')
      .map((name) => [name, 'nowhere']),
  ),
  stylesheet: 'styles',
  colortbl: 'colours',
  footnote: 'note',
  listtext: 'mark',
  pntext: 'mark',
  fldinst: 'link',
  pict: 'picture',
  sn: 'property',
  sv: 'said',
};
/** Groups that a reader who did not know them would leave out, and that hold what we read. */
export const OPEN = new Set(['shppict', 'picprop', 'sp']);
/** Control words that are a character. */
export const CHARACTERS: Record<string, string> = {
  tab: ' ',
  line: '\n',
  emdash: '—',
  endash: '–',
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  bullet: '•',
  emspace: ' ',
  enspace: ' ',
  '~': '\u00a0',
  _: '\u2011',
};

/** Reads the bytes of a Windows code page; of one that nobody knows, those of the usual. */
export const decoder = (page: number) => {
  try {
    return new TextDecoder(page === 65001 ? 'utf-8' : `windows-${page}`);
  } catch {
    return new TextDecoder('windows-1252');
  }
};
