import 'server-only';
import { markAt } from '@/contract/addresses';
import { app } from '@/runtime/app';
import { theCollege } from '@/server/stewards/college';

/** The mark and name of whose door this is; nothing where nobody has said so, or nobody can be asked. */
export async function CollegeMark() {
  const college = await theCollege(app()).catch(() => null);
  if (!college?.name) return null;
  return (
    <span className="flex min-w-0 items-center gap-3">
      {college.mark ? (
        // Drawn here when it was brought.
        // eslint-disable-next-line @next/next/no-img-element
        <img src={markAt({ v: college.mark })} alt="" className="max-h-11 max-w-[170px]" />
      ) : null}
      <span className="font-serif text-[16px] font-semibold break-words">{college.name}</span>
    </span>
  );
}
