import type { InvitationLine } from '@/contract/stewards';
import type { InvitationRecord } from '@/db/queries/invitations';

/** An invitation as lists show it. */
export const lineOf = ({
  id,
  name,
  email,
  course,
  role,
  steward,
  asked,
  by,
}: InvitationRecord): InvitationLine => ({
  id,
  name,
  email,
  course: course?.code ?? null,
  role,
  steward,
  asked,
  by,
});
