import type { ReactNode } from 'react';
import type { OpenDraft } from '@/contract/discussion';
import type { Part } from '@/core/brief/brief';
import type { Place } from './draft-keeper';
import type { PlainTarget } from './plain-form';
import type { ShareState } from './use-share';
import type { WritingState } from './use-writing';

/** What the page one writes on is about, and what stands on it beside the text. */
export type DeskProps = {
  writing: Omit<WritingState, 'form'>;
  place: Place;
  draft: OpenDraft;
  parts: Part[];
  share: ShareState;
  /** What is done about a share that nobody answered: it goes out again by itself until it is stopped. */
  waits?: { again: () => boolean; stop: () => void; isWaiting: boolean };
  zone: string;
  withTitle: boolean;
  /** What stands in the title as long as nothing does. */
  titleHint?: string;
  /** Who writes, and whether that is one of the staff. */
  author: string;
  staff: boolean;
  label: string;
  /** Why sharing is not possible now; the draft is still kept. */
  refused: string | null;
  above?: ReactNode;
  /** What the text needs; above it, or on a phone with the checks. */
  needs?: ReactNode;
  /** What the text would count as if it were shared now. */
  forecast: ReactNode;
  /** That is to be read before anything is shared: it is not folded away. */
  warns?: boolean;
  /** The button that shares, and those beside it. */
  go: ReactNode;
  buttons?: ReactNode;
  /** What the button of the form without scripts says; null where there is no such form. */
  plainButton: string | null;
  /** Where that form is sent, where not to the posts of the discussion. */
  plainTo?: PlainTarget;
  /** Somebody whose course has staff: what cannot be shared can be handed to them. */
  handsOver?: boolean;
  /** The same: what a check means can be asked. */
  asksStaff?: boolean;
  /** The shared post that is changed. */
  change?: { post: number; n: number };
};
