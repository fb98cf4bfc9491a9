import { deskAt, deskClassAt, deskGroupsAt, deskSettingsAt } from '@/contract/addresses';
import { Rooms } from '../frame/rooms';

/** The sheets that lie on a course's desk. */
export function DeskRooms({
  course,
  here,
}: {
  course: string;
  here: 'term' | 'class' | 'groups' | 'settings';
}) {
  return (
    <Rooms
      first
      label="On the desk"
      here={here}
      rooms={[
        { id: 'term', name: 'The term', href: deskAt(course) },
        { id: 'class', name: 'The class', href: deskClassAt(course) },
        { id: 'groups', name: 'Groups', href: deskGroupsAt(course) },
        { id: 'settings', name: 'How we do it', href: deskSettingsAt(course) },
      ]}
    />
  );
}
