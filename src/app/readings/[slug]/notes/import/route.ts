import { readingAt } from '@/contract/addresses';
import { importNotes } from '@/server/notes/exchange';
import { seeOther } from '../../../../_request/write';
import { uploadForm } from '../../../../_request/endpoint';

const MOST_BYTES = 4_000_000;

/** Takes notes in from a file of Web Annotations. */
export const POST = uploadForm<'slug'>(
  'annotate',
  { files: 1, fileBytes: MOST_BYTES, fieldBytes: 1_000 },
  ({ slug }) => readingAt(slug),
  async ({ who, params: { slug }, files, page }) => {
    const text = files[0]?.bytes.toString('utf8').replace(/^\uFEFF/u, '') ?? '';
    const taken = await importNotes(who.deps, who.actor, slug, text);
    if (!taken.ok) return seeOther(`${page}?answer=${taken.failure.code}`);
    const { added, known, over, problems, lost } = taken.value;
    return seeOther(
      `${page}?answer=imported&added=${added}&known=${known}&skipped=${problems.length}&lost=${lost}&over=${over}`,
    );
  },
);
