import { defaultTreeAdapter, parse, type DefaultTreeAdapterTypes } from 'parse5';
import { pushChildren } from '@/core/formats/notes-in-html';
import { askOnce, MOST_REDIRECTS, theWorld, TIMEOUT_MS, urlOf, type LinkWorld } from './ask';

const MOST_BYTES = 200_000;
const LONGEST = 200;

type Node = DefaultTreeAdapterTypes.ChildNode;

/** The title a page says it has; null where it says none. */
export function titleIn(html: string): string | null {
  const stack: Node[] = [];
  pushChildren(stack, parse(html));
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (!defaultTreeAdapter.isElementNode(node)) continue;
    if (node.tagName === 'title') {
      const text = node.childNodes.map((c) => (defaultTreeAdapter.isTextNode(c) ? c.value : '')).join('');
      return (
        text
          .replace(/[\s\p{C}]+/gu, ' ')
          .trim()
          .slice(0, LONGEST) || null
      );
    }
    if (node.tagName === 'body') return null;
    pushChildren(stack, node);
  }
  return null;
}

/** The title of the page behind a link, asked for as links are: for some seconds, and never into a private network. */
export async function titleOf(link: string, world: LinkWorld = theWorld): Promise<string | null> {
  let url = urlOf(link);
  const signal = AbortSignal.timeout(TIMEOUT_MS);
  try {
    for (let step = 0; url && step <= MOST_REDIRECTS; step += 1) {
      const answer = await askOnce(url, { method: 'GET', most: MOST_BYTES }, world, signal);
      if (answer.status >= 300 && answer.status < 400 && answer.location) {
        url = urlOf(answer.location, url);
        continue;
      }
      if (answer.status >= 400 || !/^text\/html|xhtml/iu.test(answer.type)) return null;
      return titleIn(answer.body.toString('utf8'));
    }
    return null;
  } catch {
    // Whatever the network says: the link then stays as it was pasted.
    return null;
  }
}
