/** What proofreading may find. */
export type FindingKind =
  | 'spelling'
  | 'name'
  | 'doubled-word'
  | 'open-quotation'
  | 'blank'
  | 'agreement'
  | 'unquoted'
  | 'attachment'
  | 'part'
  | 'link'
  | 'alt';

/**
 * One thing to look at before sharing: where it stands in the editor's positions, the words there, and texts that may be put
 * in their place. It only asks; nothing is changed and nothing refused because of it.
 */
export type Finding = {
  kind: FindingKind;
  from: number;
  to: number;
  text: string;
  fixes: string[];
  /** The name, reading or question it is about. */
  about?: string;
};

/**
 * What marks a finding that was waved through: the same words for the same reason stay waved through while one writes on.
 * @example the same doubled word found twice has one key
 */
export const findingKey = (f: Finding) => `${f.kind} ${f.about ?? ''} ${f.text.toLowerCase()}`;
