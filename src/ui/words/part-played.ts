import type { DiscussionHead } from '@/contract/discussion';
import { plural } from './plural';

type Played = Pick<DiscussionHead, 'brief' | 'part' | 'group' | 'staff'>;
type PartRow = [name: string, value: string, more: string | null];

/** What was given to a student in a discussion, as rows beside its deadlines: the side, the lead, the group. */
export function partRows({ brief, part, group, staff }: Played): PartRow[] {
  const rows: PartRow[] = [];
  if (brief.sides) {
    const [first, second] = brief.sides;
    const given = part.side === null ? null : brief.sides[part.side - 1];
    rows.push([
      'Sides',
      given ? `Yours is: ${given}` : `${first}, or: ${second}`,
      given || staff ? null : 'You were given none yet; your instructors give them out',
    ]);
  }
  if (brief.leader)
    rows.push([
      'Lead',
      part.leads ? 'You lead this discussion' : 'Somebody of the class leads it',
      part.leads
        ? `You owe ${plural(brief.replies.count, 'reply', 'replies')}, and nothing is sealed to you`
        : null,
    ]);
  if (brief.grouped)
    rows.push([
      'Group',
      staff ? 'Each group has a conversation of its own' : (group ?? 'You are in none yet'),
      staff ? null : 'Only your group and your instructors read what you share here',
    ]);
  return rows;
}
