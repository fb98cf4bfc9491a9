import { deskCartridgeAt } from '@/contract/addresses';
import { reportText } from '@/contract/desk-report';
import { takeCartridgeIn } from '@/server/desk/cartridge';
import { uploadForm } from '../../../../../_request/endpoint';
import { withFiles, withSites } from '../../../../../_request/session';
import { seeOther } from '../../../../../_request/write';

const MOST_BYTES = 52_428_800;

/** Takes a Common Cartridge into a course. */
export const POST = uploadForm<'course'>(
  'keep the desk',
  { files: 1, fileBytes: MOST_BYTES, fieldBytes: 10_000 },
  ({ course }) => deskCartridgeAt(course),
  async ({ who, params: { course }, files }) => {
    const [file] = files;
    if (!file) return seeOther(deskCartridgeAt(course, { refused: 'no-file' }));
    const deps = withSites(withFiles(who.deps));
    const done = await takeCartridgeIn(deps, who.actor, course, file);
    return seeOther(
      deskCartridgeAt(course, done.ok ? { report: reportText(done.value) } : { refused: done.failure.code }),
    );
  },
);
