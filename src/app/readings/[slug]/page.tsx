import { notFound } from 'next/navigation';
import { readingPage } from '@/server/courses/readings';
import { Reading } from '@/ui/readings/reading';
import { Frame } from '../../_request/frame';
import { requireVisitor } from '../../_request/session';

type Props = { params: Promise<{ slug: string }> };

export const metadata = { title: 'Reading' };

export default async function ReadingPage({ params }: Props) {
  const { slug } = await params;
  const here = `/readings/${slug}`;
  const who = await requireVisitor(here);
  const found = await readingPage(who.deps, who.actor, slug);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="/discussions" zone={found.value.course.zone}>
      <Reading view={found.value} />
    </Frame>
  );
}
