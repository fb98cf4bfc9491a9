import { conversationAt } from '@/contract/addresses';
import type { Compared } from '@/core/drafts/difference';
import type { Doc } from '@/core/document/nodes';
import Link from 'next/link';
import { DocumentView } from '../document/document-view';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { ComparedView } from './difference-view';

type Version = {
  n: number;
  at: number;
  title: string;
  doc: Doc;
  ownWords: number;
  compared: Compared | null;
};

/** Every text a shared post has had, newest first, each compared with the one before it. */
export function PostVersions(props: {
  slug: string;
  post: { id: number; author: string; kind: 'response' | 'reply' };
  versions: Version[];
  zone: string;
}) {
  const { post, versions, zone } = props;
  return (
    <section className="plate mx-auto max-w-[820px] px-5 py-5 sm:px-8" aria-labelledby="versions">
      <h2 id="versions" className="text-[19px]">
        Every version of {post.author}’s {post.kind}
      </h2>
      <p className="mt-1 text-[13px] text-ink-2">
        Its author and staff can read this; the class sees the newest text and that it was edited.{' '}
        <Link className="link" href={conversationAt(props.slug, { post: post.id })}>
          To the post
        </Link>
      </p>
      <ol className="mt-4 space-y-6">
        {[...versions].reverse().map((v) => {
          const before = versions.find((o) => o.n === v.n - 1);
          return (
            <li key={v.n} className="border-t border-rule-soft pt-4">
              <h3 className="mb-2 text-[15.5px]">
                {before ? `Changed ${moment(v.at, zone)}` : `Shared ${moment(v.at, zone)}`},{' '}
                {plural(v.ownWords, 'own word')}
              </h3>
              {before ? (
                <ComparedView
                  compared={v.compared}
                  names={{ first: 'the text before', second: 'this one' }}
                />
              ) : (
                <>
                  {v.title ? <p className="mb-2 font-serif text-[17px] font-semibold">{v.title}</p> : null}
                  <DocumentView doc={v.doc} />
                </>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
