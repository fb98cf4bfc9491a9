import { expect, type APIRequestContext, type Page } from '@playwright/test';

/** What a page shows, taken from its markup as it leaves the server. */
export type Shown = {
  heading: string;
  text: string;
  /** Items of lists with a title of their own: discussions, readings. */
  lines: { title: string; tally: string; text: string }[];
  /** Items of the list of threads, by the number of the post they open. */
  threads: { post: number; text: string }[];
  /** The lines of Your part, each with the word at its end. */
  verdicts: { word: string; text: string }[];
  /** Names of links and images that are said and not shown. */
  labels: string[];
};

/** Fetches a page as a signed-in student and reads what stands in it. */
export async function shown(page: Page, request: APIRequestContext, path: string): Promise<Shown> {
  const answer = await request.get(path);
  expect(answer.status(), path).toBe(200);
  return page.evaluate(
    (html) => {
      const doc = new DOMParser().parseFromString(html, 'text/html');
      const main = doc.querySelector('main');
      // Pieces that stand beside each other on the screen are parted here too.
      const words = (e: Element | null) => {
        if (!e) return '';
        const walker = doc.createTreeWalker(e, NodeFilter.SHOW_TEXT);
        const pieces: string[] = [];
        while (walker.nextNode()) pieces.push(walker.currentNode.textContent ?? '');
        return pieces.join(' ').replace(/\s+/gu, ' ').trim();
      };
      return {
        heading: words(doc.querySelector('h1')),
        text: words(main),
        lines: [...(main?.querySelectorAll('li') ?? [])]
          .filter((li) => li.querySelector('h2 a, h3 a') && !li.querySelector('li'))
          .map((li) => ({
            title: words(li.querySelector('h2 a, h3 a')),
            tally: li.querySelector('[role=img]')?.getAttribute('aria-label') ?? '',
            text: words(li),
          })),
        threads: [...(main?.querySelectorAll('nav[aria-label=Responses] > ul:last-child a[href]') ?? [])].map(
          (a) => ({
            post: Number(
              new URL((a as HTMLAnchorElement).href, 'http://pulpit.test').searchParams.get('post'),
            ),
            text: words(a),
          }),
        ),
        verdicts: [...(main?.querySelectorAll('li > b:last-child') ?? [])].map((b) => ({
          word: words(b),
          text: words(b.parentElement),
        })),
        labels: [...(main?.querySelectorAll('[aria-label]') ?? [])].map(
          (e) => e.getAttribute('aria-label') ?? '',
        ),
      };
    },
    await answer.text(),
  );
}
