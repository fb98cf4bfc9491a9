import type { QuestionLine } from '@/contract/questions';
import { CalendarClock, Coffee, Hand, MessageSquare, type LucideIcon } from 'lucide-react';
import type { QuestionKind } from '@/core/questions/asking';
import { STATE_WORDS } from '../words/questions';

const RING = 'stroke-current';

type Sign = { sign: LucideIcon; name: string };
const TOLD: Sign = { sign: MessageSquare, name: 'told, not asked' };
/** What does not ask has a sign of its kind. */
const SIGNS: Partial<Record<QuestionKind, Sign>> = {
  hands: { sign: Hand, name: 'show of hands' },
  meets: { sign: CalendarClock, name: 'hour to meet' },
  corner: { sign: Coffee, name: 'about anything' },
};

/** Where a question stands, as a sign with its words: an open ring, half full by classmates, full by staff; dashed where only staff see it. */
export function StateSign({ line }: { line: Pick<QuestionLine, 'state' | 'audience' | 'kind'> }) {
  const { state, audience } = line;
  if (state === null) {
    const { sign: Sign, name } = SIGNS[line.kind] ?? TOLD;
    return (
      <span className="grid size-6 shrink-0 place-items-center text-pine" role="img" aria-label={name}>
        <Sign size={18} aria-hidden />
      </span>
    );
  }
  const full = state === 'staff' || state === 'confirmed' || state === 'settled';
  const tone = state === 'nobody' ? 'text-ochre' : audience === 'staff' && !full ? 'text-sky' : 'text-pine';
  return (
    <svg
      width="24"
      height="24"
      viewBox="0 0 24 24"
      className={`shrink-0 ${tone}`}
      role="img"
      aria-label={`${STATE_WORDS[state]}${audience === 'staff' ? ', for staff only' : ''}`}
    >
      <circle
        cx="12"
        cy="12"
        r="10"
        fill={full ? 'currentColor' : 'none'}
        className={RING}
        strokeWidth="1.5"
        strokeDasharray={audience === 'staff' ? '3 2.4' : undefined}
      />
      {state === 'classmates' ? <path d="M12 2a10 10 0 0 0 0 20z" fill="currentColor" /> : null}
      {state === 'confirmed' || state === 'settled' ? (
        <path d="M7.5 12.3l3 3 6-6.3" fill="none" stroke="var(--page)" strokeWidth="2" />
      ) : null}
    </svg>
  );
}
