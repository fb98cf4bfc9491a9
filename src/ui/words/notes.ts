import { notReadText } from './not-read';
import { MOST_NOTES, type Audience } from '@/core/notes/note';
import { troubleText } from './outside';
import { plural } from './plural';

export const AUDIENCE_NAMES: Record<Audience, string> = {
  class: 'For the class',
  staff: 'For staff',
  self: 'Only for me',
};

/** Who can read a note, as it stands beside it. */
export const audienceSign = (audience: Audience, mine: boolean) =>
  audience === 'class' ? 'the class' : audience === 'staff' ? (mine ? 'staff and you' : 'staff') : 'only you';

/** What became of a note or an import. */
export function noteAnswerText(
  code: string,
  figures: { added?: number; known?: number; skipped?: number; lost?: number; over?: number },
): string {
  switch (code) {
    case 'noted':
      return 'Your note is there.';
    case 'changed':
      return 'Your note is changed.';
    case 'removed':
      return 'Your note is gone.';
    case 'quoted':
      return 'It stands at the end of your draft, with its source.';
    case 'quoted-elsewhere':
      return 'Your draft is open in another window and has changed there, so nothing was put in. Copy the passage into it by hand.';
    case 'passage-not-found':
      return 'These words do not stand in the reading, so the note was not made. Copy them from the text; your note is still in the box if you go back.';
    case 'passage-too-long':
      return 'This passage is too long for a note: at most 2,000 characters. Choose a shorter one.';
    case 'trouble-said':
      return 'Said: the staff of the course see it. You hear when it is mended.';
    case 'trouble-not-said':
      return 'Nothing was said: write in a sentence what does not work. Twenty of one person may wait at a time.';
    case 'note-gone':
      return 'This note is no longer there.';
    case 'too-many-notes':
      return `You have ${MOST_NOTES} notes beside this reading, which is as many as one person’s can be. Your note was not made; take an old one away first.`;
    case 'nothing-written':
      return 'A note needs some words, and at most 5,000 characters.';
    case 'no-such-question':
      return 'Nothing was put together: there is no other question of that number which everybody reads.';
    case 'closed':
      return 'It is over: hands are counted as they were raised until then.';
    case 'taken':
      return 'Somebody has just taken that slot. Choose another.';
    case 'over':
      return 'That slot has begun, so it cannot be taken any more.';
    case 'called-off':
      return 'This hour was called off.';
    case 'no-such-slot':
      return 'There is no such slot. Nothing was changed.';
    case 'no-such-time':
      return 'Write a time that is to come, like 2026-10-15 18:00. Nothing was changed.';
    case 'not-yours-to-do':
      return 'This is for the staff of the course, or for whoever asked.';
    case 'not-json':
      return 'This file is not JSON, so nothing was taken from it. Notes come as Web Annotations (.jsonld or .json).';
    case 'no-sound':
      return 'This is no sound file that browsers play (MP3, M4A, WAV, Ogg, WebM), so nothing was changed.';
    case 'sound-too-large':
      return 'This recording is larger than 50 MB, so it was not taken. Save it in a smaller form and try again.';
    case 'text-replaced':
      return 'The newer text stands here now. Notes whose passage is not in it are kept apart.';
    case 'reading-too-long':
      return 'This text is longer than a reading can be (about 60,000 words), so nothing was changed. Put it in as two.';
    case 'reading-unnamed':
      return 'A reading needs a title; nothing was put in yet.';
    case 'already-shared':
      return 'Your response there is shared already, so nothing was changed.';
    case 'no-next':
      return 'No discussion of this course is left to take it along to. Nothing was changed.';
    case 'nothing-changed':
      return 'Nothing was changed since the mark, so there is nothing to mark again. Change what you shared first.';
    case 'not-again':
      return 'Your mark does not ask for it to be done again any more. Look at the page anew.';
    case 'unfinished':
      return 'Choose a level for every criterion; nothing was kept yet.';
    case 'imported':
      return `${plural(figures.added ?? 0, 'note')} came in${figures.known ? `, ${figures.known} ${figures.known === 1 ? 'was' : 'were'} known` : ''}${
        figures.skipped
          ? `; ${plural(figures.skipped, 'entry', 'entries')} ${figures.skipped === 1 ? 'was' : 'were'} no note and left out`
          : ''
      }${figures.lost ? `; the passages of ${figures.lost} are not in this text` : ''}${
        figures.over
          ? `. ${plural(figures.over, 'note')} did not fit: ${MOST_NOTES} are the most that one person can have beside a reading, and they are still in your file`
          : ''
      }.`;
    default:
      if (code === 'not-read') return notReadText('time');
      if (code.startsWith('file-') || code === 'nothing-to-read') return troubleText({ code });
      return 'That did not work. Nothing was changed; try again.';
  }
}
