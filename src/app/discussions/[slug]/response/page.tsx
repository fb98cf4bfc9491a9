import { responseAt } from '@/contract/addresses';
import { notFound, redirect } from 'next/navigation';
import { placeOfQuestion } from '@/server/questions/place';
import { responseRoom } from '@/server/discussions/response-room';
import { FacingPages, WriteFoot } from '@/ui/discussion/facing-pages';
import { Head } from '@/ui/discussion/head';
import { FacingReading } from '@/ui/discussion/facing-reading';
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
  const found = await responseRoom(who.deps, who.actor, slug, { reading: reading ?? null });
  if (!found.ok) {
    // Whatever goes back to a response goes back to the question here.
    const asked = await placeOfQuestion(who.deps, who.actor, slug, fresh ? Number(fresh) || null : null);
    if (asked) redirect(asked);
    notFound();
  }
  const { head, prompt, draft, refused, shared, ledgerInput } = found.value;
  const first = shared[0];
  // Whoever owes nothing here has the prompt to themselves.
  const alone = head.staff || head.onlooker;
  const { openReading } = found.value;
  const page = openReading ? (
    <FacingReading
      slug={slug}
      reading={openReading}
      read={found.value.readings.find((r) => r.slug === openReading.slug)?.read ?? false}
      writing={!alone && !first}
    />
  ) : (
    <PromptPage
      head={head}
      prompt={prompt}
      requirements={found.value.requirements}
      disagreements={found.value.disagreements}
      ownZone={who.actor.timeZone}
      contradictions={found.value.contradictions}
      readings={found.value.readings}
      mentions={found.value.mentions}
      sheet={found.value.sheet}
      viewings={found.value.viewings}
      recording={found.value.recording}
      note={found.value.note}
      asked={found.value.asked}
      changed={found.value.changed}
      handed={found.value.handed}
    />
  );
  return (
    <Frame slim visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="response" ownZone={who.actor.timeZone} />
        <div className="lg:px-7 lg:pb-4">
          <div className="max-lg:px-4">
            <FormAnswer code={answer ?? null} zone={head.schedule.zone} />
          </div>
          {alone ? (
            <section aria-label="Prompt" className="plate mx-auto max-w-[760px]">
              {page}
            </section>
          ) : (
            <WritingProvider>
              <FacingPages
                first="right"
                shape="narrow-left"
                ways={{ foot: <WriteFoot write={first ? 'To what you shared' : 'Write your response'} /> }}
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
