import { conversationAt, partAt, readingAt, responseAt } from '@/contract/addresses';
import type { About } from '@/core/questions/asking';

/** Where something was asked from. */
export function aboutHref({ of, place, at }: About): string {
  switch (of) {
    case 'reading':
      // The passage is found by its first words, where the browser does that (text fragments).
      return at ? `${readingAt(place)}#:~:text=${encodeURIComponent(at)}` : readingAt(place);
    case 'mark':
      return partAt(place);
    case 'post':
      return conversationAt(place, { post: at ?? null });
    case 'prompt':
    case 'check':
      return responseAt(place);
  }
}
