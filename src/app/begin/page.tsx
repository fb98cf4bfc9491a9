import { app } from '@/runtime/app';
import { lookAtFirstRun } from '@/server/people/first-run';
import { BeginForm } from '@/ui/people/begin-form';
import { DoorPage, Trouble } from '@/ui/people/fields';
import { KeyGate } from '@/ui/people/key-gate';
import { peopleTrouble } from '@/ui/words/people';
import { Door } from '../_request/door';
import { handedKey, strangerDeps } from '../_request/session';
import { zones } from '../_request/zones';
import { begin } from './actions';

export const metadata = { title: 'Begin' };

export default async function BeginPage() {
  const key = await handedKey('first-run');
  const looked = key === null ? null : await lookAtFirstRun(await strangerDeps(), key);
  return (
    <Door>
      <DoorPage
        title="Make Pulpit yours"
        lead={
          looked?.ok
            ? 'Two things are needed, and both can be changed later. Then a page says what to do next.'
            : 'The command that started Pulpit printed an address with a key. It works once, for an hour.'
        }
      >
        {looked?.ok ? (
          <BeginForm action={begin} zones={zones()} zone={app().config.zone} />
        ) : (
          <>
            <Trouble text={looked ? peopleTrouble(looked.failure.code) : null} />
            <KeyGate purpose="first-run" what="Key" />
          </>
        )}
      </DoorPage>
    </Door>
  );
}
