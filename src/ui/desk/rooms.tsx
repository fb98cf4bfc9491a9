import { deskAt, deskClassAt, deskGoesAt, deskGroupsAt, deskSettingsAt } from '@/contract/addresses';
import { Rooms } from '../frame/rooms';

export type DeskRoom = 'term' | 'class' | 'goes' | 'groups' | 'settings';

/** The sheets that lie on a course's desk. */
export function DeskRooms({ course, here }: { course: string; here: DeskRoom }) {
  return (
    <Rooms
      first
      label="On the desk"
      here={here}
      rooms={[
        { id: 'term', name: 'The term', href: deskAt(course) },
        { id: 'class', name: 'The class', href: deskClassAt(course) },
        { id: 'goes', name: 'How it goes', href: deskGoesAt(course) },
        { id: 'groups', name: 'Groups', href: deskGroupsAt(course) },
        { id: 'settings', name: 'How we do it', href: deskSettingsAt(course) },
      ]}
    />
  );
}
