import { editPostAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { postId } from '@/core/ids';
import { plainText } from '@/core/document/flatten';
import { changingPost } from '@/server/posts/history';
import { FacingPages, WriteFoot } from '@/ui/discussion/facing-pages';
import { FormAnswer } from '@/ui/discussion/form-answer';
import { Head } from '@/ui/discussion/head';
import { AnsweredText } from '@/ui/part/answered-text';
import { ChangeDesk } from '@/ui/writing/change-desk';
import { WritingProvider } from '@/ui/writing/writing-context';
import { Frame } from '../../../../../_request/frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';

type Props = {
  params: Promise<{ slug: string; post: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
};

export const metadata = { title: 'Change a post' };

export default async function ChangePage({ params, searchParams }: Props) {
  const { slug, post: number } = await params;
  const { answer } = await queryOf(searchParams);
  const here = editPostAt(slug, number);
  const who = await requireVisitor(here);
  const found = await changingPost(
    who.deps,
    who.actor,
    slug,
    postId(/^\d{1,15}$/u.test(number) ? Number(number) : 0),
  );
  if (!found.ok) notFound();
  const { head, post, answered, prompt, draft, refused, withdrawal, ledgerInput } = found.value;
  const isReply = post.kind === 'reply';
  return (
    <Frame slim visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main">
        <Head head={head} room={isReply ? 'conversation' : 'response'} ownZone={who.actor.timeZone} />
        <div className="lg:px-7 lg:pb-4">
          <div className="max-lg:px-4">
            <FormAnswer code={answer ?? null} zone={head.schedule.zone} />
          </div>
          <WritingProvider>
            <FacingPages
              first="right"
              shape={isReply ? 'even' : 'narrow-left'}
              ways={{ foot: <WriteFoot write={isReply ? 'To your reply' : 'To your response'} /> }}
              left={{
                name: isReply ? 'The post' : 'Prompt',
                page: (
                  <AnsweredText
                    title={answered ? `What you answered: ${answered.author.name}` : 'The prompt'}
                    doc={answered ? answered.doc : prompt}
                  />
                ),
              }}
              right={{
                name: isReply ? 'Your reply' : 'Your response',
                page: (
                  <ChangeDesk
                    head={head}
                    person={who.actor.id}
                    author={who.actor.name}
                    post={{ id: post.id, n: post.n, kind: post.kind, parent: post.parent }}
                    prompt={plainText(prompt)}
                    answered={answered ? { name: answered.author.name, plain: answered.plain } : null}
                    draft={draft}
                    refused={refused}
                    withdrawal={withdrawal}
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
