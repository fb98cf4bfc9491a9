import { conversationAt, partAt, readingAt, responseAt } from '@/contract/addresses';
import type { About } from '@/core/questions/asking';

/** Where something was asked from. */
export function aboutHref({ of, place, at }: About): string {
  switch (of) {
    case 'reading':
      return readingAt(place);
    case 'mark':
      return partAt(place);
    case 'post':
      return conversationAt(place, { post: at ?? null });
    case 'prompt':
    case 'check':
      return responseAt(place);
  }
}
