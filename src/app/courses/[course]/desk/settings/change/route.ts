import { deskSettingsAt } from '@/contract/addresses';
import { changeSettings, settingsSchema } from '@/server/desk/settings';
import { form } from '../../../../../_request/endpoint';
import { seeOther } from '../../../../../_request/write';

/** Says anew what a course is called and what its new discussions begin with. */
export const POST = form<'course'>(
  'keep the desk',
  ({ course }) => deskSettingsAt(course),
  async ({ who, params: { course }, fields }) => {
    const back = (answer: string) => seeOther(deskSettingsAt(course, { answer }));
    const said = settingsSchema.safeParse(Object.fromEntries(fields));
    if (!said.success)
      return back(said.error.issues.some((i) => i.message === 'holidays') ? 'holidays' : 'fields');
    const done = await changeSettings(who.deps, who.actor, course, said.data);
    return back(done.ok ? 'settings' : done.failure.code);
  },
);
