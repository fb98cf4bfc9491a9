import { invitationActAt } from '@/contract/addresses';
import type { InvitationLine } from '@/contract/stewards';
import { asRole } from '../words/people';
import { moment } from '../words/time';
import { ActButton, Plate } from './frame';

/** Who was invited and has not come yet: each can be sent again, or taken back. */
export function Invitations(props: { lines: InvitationLine[]; zone: string; to: string }) {
  if (props.lines.length === 0) return null;
  return (
    <Plate id="invited" title="Invited, and not here yet">
      <ul>
        {props.lines.map((i) => (
          <li
            key={i.id}
            className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-rule-soft px-5 py-2.5 first:border-t-0"
          >
            <span className="min-w-0 grow">
              <b className="break-words">{i.name || i.email}</b>
              <span className="block text-[12.5px] break-words text-ink-2">
                {i.name ? `${i.email} · ` : ''}
                {i.steward
                  ? 'a steward'
                  : i.course
                    ? `${asRole(i.role ?? 'student')} of ${i.course}`
                    : 'for themselves, as they asked'}{' '}
                · sent {moment(i.asked, props.zone)}
              </span>
            </span>
            <span className="flex gap-2">
              <ActButton
                action={invitationActAt(i.id)}
                act="again"
                label="Send again"
                name={`Send again: ${i.email}`}
                more={{ to: props.to }}
              />
              <ActButton
                action={invitationActAt(i.id)}
                act="take-back"
                label="Take back"
                name={`Take back: ${i.email}`}
                more={{ to: props.to }}
              />
            </span>
          </li>
        ))}
      </ul>
    </Plate>
  );
}
