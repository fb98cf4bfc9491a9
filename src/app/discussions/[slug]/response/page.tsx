import { responseAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { responseRoom } from '@/server/discussions/response-room';
import { FacingPages } from '@/ui/discussion/facing-pages';
import { Head } from '@/ui/discussion/head';
import { BesideReading } from '@/ui/discussion/beside-reading';
import { PromptPage } from '@/ui/discussion/prompt-page';
import { SharedResponse } from '@/ui/part/shared-response';
import { ResponseDesk } from '@/ui/writing/response-desk';
import { WritingProvider } from '@/ui/writing/writing-context';
import { FormAnswer } from '@/ui/discussion/form-answer';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

export const metadata = { title: 'Your response' };

export default async function ResponsePage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { answer, reading, shared: fresh } = await queryOf(searchParams);
  const here = responseAt(slug);
  const who = await requireVisitor(here);
  const room = await responseRoom(who.deps, who.actor, slug, { reading: reading ?? null });
  if (!room.ok) notFound();
  const { head, prompt, draft, refused, shared, ledgerInput } = room.value;
  const first = shared[0];
  const { openReading } = room.value;
  const page = openReading ? (
    <BesideReading
      slug={slug}
      reading={openReading}
      read={room.value.readings.find((r) => r.slug === openReading.slug)?.read ?? false}
      writing={!head.staff && !first}
    />
  ) : (
    <PromptPage
      head={head}
      prompt={prompt}
      requirements={room.value.requirements}
      disagreements={room.value.disagreements}
      ownZone={who.actor.timeZone}
      contradictions={room.value.contradictions}
      readings={room.value.readings}
      mentions={room.value.mentions}
      sheet={room.value.sheet}
      viewings={room.value.viewings}
      recording={room.value.recording}
      note={room.value.note}
    />
  );
  return (
    <Frame visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="response" ownZone={who.actor.timeZone} />
        <div className="px-4 pb-4 sm:px-7">
          <FormAnswer code={answer ?? null} zone={head.schedule.zone} />
          {head.staff ? (
            <section aria-label="Prompt" className="plate mx-auto max-w-[760px]">
              {page}
            </section>
          ) : (
            <WritingProvider>
              <FacingPages
                first="right"
                shape="narrow-left"
                left={{
                  name: openReading ? 'Reading' : 'Prompt',
                  page,
                }}
                right={{
                  name: 'Your response',
                  page: first ? (
                    <SharedResponse
                      head={head}
                      text={first}
                      author={who.actor.name}
                      fresh={fresh !== undefined}
                      verdict={head.ledger?.verdicts.find((v) => v.post === first.id) ?? null}
                    />
                  ) : (
                    <ResponseDesk
                      key={draft.submission}
                      head={head}
                      person={who.actor.id}
                      author={who.actor.name}
                      draft={draft}
                      refused={refused}
                      ledgerInput={ledgerInput}
                      ownZone={who.actor.timeZone}
                    />
                  ),
                }}
              />
            </WritingProvider>
          )}
        </div>
      </main>
    </Frame>
  );
}
