import { notFound, redirect } from 'next/navigation';
import { responseRoom } from '@/server/discussions/response-room';
import { FacingPages } from '@/ui/discussion/facing-pages';
import { Head } from '@/ui/discussion/head';
import { PromptPage } from '@/ui/discussion/prompt-page';
import { SharedResponse } from '@/ui/part/shared-response';
import { ResponseDesk } from '@/ui/writing/response-desk';
import { WritingProvider } from '@/ui/writing/writing-context';
import { FormAnswer } from '@/ui/discussion/form-answer';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

export const metadata = { title: 'Your response' };

export default async function ResponsePage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { answer } = await searchParams;
  const here = `/discussions/${slug}/response`;
  const who = await requireVisitor(here);
  const room = await responseRoom(who.deps, who.actor, slug);
  if (!room.ok) notFound();
  const { head, prompt, draft, refused, shared, ledgerInput } = room.value;
  if (head.staff) redirect(`/discussions/${slug}/conversation`);
  const first = shared[0];
  return (
    <Frame visitor={who} here={here} place="/discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room="response" ownZone={who.actor.timeZone} />
        <div className="px-4 pb-4 sm:px-7">
          <FormAnswer code={answer ?? null} zone={head.schedule.zone} />
          <WritingProvider>
            <FacingPages
              first="right"
              shape="narrow-left"
              left={{
                name: 'Prompt',
                page: (
                  <PromptPage
                    head={head}
                    prompt={prompt}
                    ownZone={who.actor.timeZone}
                    contradictions={room.value.contradictions}
                    readings={room.value.readings}
                  />
                ),
              }}
              right={{
                name: 'Your response',
                page: first ? (
                  <SharedResponse
                    head={head}
                    text={first}
                    verdict={head.ledger?.verdicts.find((v) => v.post === first.id) ?? null}
                  />
                ) : (
                  <ResponseDesk
                    key={draft.submission}
                    head={head}
                    person={who.actor.id}
                    draft={draft}
                    refused={refused}
                    ledgerInput={ledgerInput}
                  />
                ),
              }}
            />
          </WritingProvider>
        </div>
      </main>
    </Frame>
  );
}
