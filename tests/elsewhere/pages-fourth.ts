import type { Labelled } from './discussions';
import { at, childrenOf, esc, paragraphs as ps, type SavedPage } from './page';

type Post = Labelled['posts'][number];

const FENCES: Labelled = {
  course: 'LAW 105 Neighbours',
  title: 'Who owns the fence?',
  prompt: [
    'A fence stands half a metre inside the neighbour’s land and has done so for thirty years. Argue for one of the two, with one case from chapter 4.',
    'At least 220 words by Thursday; two answers of 60 words by Sunday.',
  ],
  due: 'Thursday, 26 November 2026, 23:00',
  posts: [
    {
      author: 'Delphine Roux',
      at: '2026-11-23T09:14',
      parent: null,
      title: 'Whoever painted it',
      text: [
        'I argue for the one who painted it. In the case of Hale the judge asked one question only: who bought the paint?',
        'Thirty years of paint is ten coats, at three years a coat.',
      ],
    },
    {
      author: 'Marek Sowa',
      at: '2026-11-23T11:48',
      parent: 0,
      title: 'Re: Whoever painted it',
      text: ['And if nobody painted it? Ours is grey, and both of us say that grey is how it should be.'],
    },
    {
      author: 'Delphine Roux',
      at: '2026-11-23T12:20',
      parent: 1,
      title: 'Re: Whoever painted it',
      text: ['Then the case says nothing, and I would ask who mends it after a storm.'],
    },
    {
      author: 'Okan Yildiz',
      at: '2026-11-24T07:55',
      parent: null,
      title: 'The land decides',
      text: [
        'The land decides. A fence is a thing that stands on land, like a tree, and nobody asks who waters a tree.',
        'On 4 June 1998 my uncle lost such a case, and he had mended it each year.',
      ],
    },
    {
      author: 'Birgit Holm',
      at: '2026-11-24T10:02',
      parent: 3,
      title: 'Re: The land decides',
      text: ['Did he lose the fence or the half metre? In chapter 4 these are two questions.'],
    },
    {
      author: 'Okan Yildiz',
      at: '2026-11-24T10:31',
      parent: 4,
      title: 'Re: The land decides',
      text: ['Both, on one day, and the judge needed nine minutes.'],
    },
    {
      author: 'Marek Sowa',
      at: '2026-11-24T18:40',
      parent: 3,
      title: 'Re: The land decides',
      text: ['I would not compare it with a tree: a tree was not put there against anybody.'],
    },
    {
      author: 'Dr. Alma Reyes',
      staff: true,
      at: '2026-11-25T08:00',
      parent: 6,
      title: 'Re: The land decides',
      text: ['Was it? Look at the hedge cases on page 120 before you say so.'],
    },
    {
      author: 'Birgit Holm',
      at: '2026-11-25T20:09',
      parent: null,
      title: 'Neither',
      text: [
        'Neither of them owns it, because neither of them wants it. What they want is that the other one pays.',
      ],
    },
  ],
};

const no = (p: Post) => FENCES.posts.indexOf(p);
const deep = (p: Post): number => (p.parent === null ? 0 : 1 + deep(FENCES.posts[p.parent] as Post));
const below = (p: Post) => childrenOf(FENCES, no(p));
const over = (p: Post) => FENCES.posts[p.parent ?? 0]?.author ?? '';
const roots = childrenOf(FENCES, null);
const threads = (of: readonly Post[] = roots): Post[] => of.flatMap((p) => [p, ...threads(below(p))]);
const ask = ps({ text: FENCES.prompt });
const page = (body: string, head = '') =>
  `<!doctype html><html><head><title>${esc(FENCES.title)} :: ${esc(FENCES.course)}</title>${head}</head><body>${body}</body></html>`;

const WAYS: [string, () => string][] = [
  [
    'panels',
    () => {
      const post = (p: Post): string =>
        `<div class="panel"><div class="panel-h"><h4>${esc(p.title ?? '')}</h4><span>${esc(p.author)}</span><span>${at(p, 'short')}</span></div><div class="panel-b">${ps(p)}</div>${below(p).length ? `<div class="panel-f">${below(p).map(post).join('')}</div>` : ''}</div>`;
      return page(`<h1>${esc(FENCES.title)}</h1>${ask}${roots.map(post).join('')}`);
    },
  ],
  [
    'a definition table',
    () =>
      page(
        `<h1>${esc(FENCES.title)}</h1>${ask}${threads()
          .map(
            (p) =>
              `<table style="margin-left:${deep(p) * 25}px"><tr><td>Subject</td><td>${esc(p.title ?? '')}</td></tr><tr><td>From</td><td>${esc(p.author)}</td></tr><tr><td>Sent</td><td>${at(p, 'stamp')}</td></tr><tr><td colspan=2>${ps(p)}</td></tr></table>`,
          )
          .join('')}`,
      ),
  ],
  [
    'a wall',
    () =>
      page(
        `<header>${esc(FENCES.course)}</header><main><h2>${esc(FENCES.title)}</h2><section>${ask}</section>${roots
          .map(
            (p) =>
              `<section><p class="n">${esc(p.author)}</p><p class="w">${at(p, 'ago')}</p>${ps(p)}<p>${threads(below(p)).length} answers</p>${threads(
                below(p),
              )
                .map(
                  (q) =>
                    `<div class="ans"><p class="n">${esc(q.author)}</p><p class="w">${at(q, 'ago')} · to ${esc(over(q))}</p>${ps(q)}</div>`,
                )
                .join('')}</section>`,
          )
          .join('')}</main>`,
      ),
  ],
  [
    'said lines',
    () =>
      page(
        `<h1>${esc(FENCES.title)}</h1>${ask}${threads()
          .map(
            (p) =>
              `<div style="padding-left:${deep(p) * 1.5}rem"><p><em>On ${at(p, 'long')} ${esc(p.author)} said:</em></p>${ps(p)}</div>`,
          )
          .join('')}`,
      ),
  ],
  [
    'copied with numbers',
    () =>
      [
        FENCES.title,
        '',
        ...FENCES.prompt,
        '',
        ...FENCES.posts.flatMap((p, i) => [
          `#${i + 1} ${p.author}`,
          `${at(p, 'weekday')}${p.parent === null ? '' : ` (in reply to #${p.parent + 1})`}`,
          ...p.text,
          'Quote  Report',
          '',
        ]),
      ].join('\n'),
  ],
  [
    'a list of articles',
    () =>
      page(
        `<div id="top"><a href="#x">Skip</a></div><h1>${esc(FENCES.title)}</h1><div>${ask}</div><ol>${threads()
          .map(
            (p) =>
              `<li value="${no(p) + 1}"><article id="a${no(p)}"><h3>${esc(p.title ?? '')}</h3><address>${esc(p.author)}</address><time datetime="${p.at}">${at(p, 'us-words')}</time>${p.parent === null ? '' : `<a href="#a${p.parent}">Show what this answers</a>`}<div>${ps(p)}</div></article></li>`,
          )
          .join('')}</ol>`,
      ),
  ],
  [
    'initials',
    () => {
      const post = (p: Post): string =>
        `<div class="c"><div class="i">${p.author
          .replace(/^Dr\. /u, '')
          .split(' ')
          .map((w) => w[0])
          .join(
            '',
          )}</div><div class="r"><div class="l"><strong>${esc(p.author)}</strong><small>${at(p, 'dots')}</small></div>${ps(p)}<div class="x">♡ ${no(p)} · Reply</div></div></div>${below(p).length ? `<div class="g">${below(p).map(post).join('')}</div>` : ''}`;
      return page(`<h1>${esc(FENCES.title)}</h1>${ask}<div class="all">${roots.map(post).join('')}</div>`);
    },
  ],
  [
    'nested quotes',
    () => {
      const post = (p: Post): string =>
        `<blockquote><p><b>${esc(p.author)}</b> (${at(p, 'iso')})</p>${ps(p)}${below(p).map(post).join('')}</blockquote>`;
      return page(`<h1>${esc(FENCES.title)}</h1>${ask}${roots.map(post).join('')}`);
    },
  ],
  [
    'a printed outline',
    () => {
      const lines = (of: readonly Post[], n: string): string[] =>
        of.flatMap((p, i) => {
          const k = n ? `${n}.${i + 1}` : String(i + 1);
          return [`${k}  ${p.author}, ${at(p, 'day-first')}`, ...p.text, '', ...lines(below(p), k)];
        });
      return [FENCES.course, FENCES.title, '', ...FENCES.prompt, '', ...lines(roots, '')].join('\n');
    },
  ],
  [
    'sibling depth',
    () =>
      page(
        `<h1>${esc(FENCES.title)}</h1>${ask}<div>${threads()
          .map(
            (p) =>
              `<div class="depth-${deep(p)} item"><span class="a">${esc(p.author)}</span> wrote at <span class="b">${at(p, 'us')}</span>:${ps(p)}</div>`,
          )
          .join('')}</div>`,
      ),
  ],
];

/** Ten more ways, written after the three sets before had been learned from. */
export const FOURTH: SavedPage[] = WAYS.map(([name, make]) => ({ name, content: make(), of: FENCES }));
