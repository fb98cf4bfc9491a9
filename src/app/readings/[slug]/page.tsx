import { readingAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { readingPage } from '@/server/courses/readings';
import { Reading } from '@/ui/readings/reading';
import { noteAnswerText } from '@/ui/words/notes';
import { Frame } from '../../_request/frame';
import { queryOf } from '../../_request/query';
import { requireVisitor } from '../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

const figure = (text: string | undefined) => (/^\d{1,6}$/u.test(text ?? '') ? Number(text) : 0);

export const metadata = { title: 'Reading' };

export default async function ReadingPage({ params, searchParams }: Props) {
  const { answer, added, known, skipped, lost, over } = await queryOf(searchParams);
  const { slug } = await params;
  const here = readingAt(slug);
  const who = await requireVisitor(here);
  const found = await readingPage(who.deps, who.actor, slug);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <Reading
        key={slug}
        view={found.value}
        said={
          answer
            ? noteAnswerText(answer, {
                added: figure(added),
                known: figure(known),
                skipped: figure(skipped),
                lost: figure(lost),
                over: figure(over),
              })
            : null
        }
      />
    </Frame>
  );
}
