import type { Labelled } from './discussions';
import { MAPS, SLEEP, TOOLS } from './discussions-third';
import { at, childrenOf, esc, paragraphs as ps, type SavedPage } from './page';

type Post = Labelled['posts'][number];
const page = (d: Labelled, body: string, head = '') =>
  `<html><head><title>${esc(d.title)} - ${esc(d.course)}</title>${head}</head><body>${body}</body></html>`;
const no = (d: Labelled, p: Post) => d.posts.indexOf(p);
const deep = (d: Labelled, p: Post): number =>
  p.parent === null ? 0 : 1 + deep(d, d.posts[p.parent] as Post);
const threads = (d: Labelled, of: number | null = null): Post[] =>
  childrenOf(d, of).flatMap((p) => [p, ...threads(d, no(d, p))]);
const below = (d: Labelled, p: Post) => childrenOf(d, no(d, p));
const over = (d: Labelled, p: Post) => d.posts[p.parent ?? 0]?.author ?? '';
const ask = (d: Labelled) => d.prompt.map((t) => `<p>${esc(t)}</p>`).join('');
const initials = (p: Post) =>
  p.author
    .split(' ')
    .slice(-2)
    .map((w) => w[0])
    .join('');

const withMenu = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="fpost"><div class="fhead">${esc(p.author)}<br><small>${at(p, 'weekday')}</small></div><div class="fbody">${ps(p)}</div></div>${below(d, p).length ? `<div class="freplies">${below(d, p).map(post).join('')}</div>` : ''}`;
  return page(
    d,
    `<div id="left"><b>Menu</b><br><a href="/a">Home</a><br><a href="/b">Grades</a><br><b>Recent activity</b>${d.posts
      .slice(-3)
      .map((p) => `<div>${esc(p.author)}<br>${at(p, 'short')}</div>`)
      .join(
        '',
      )}</div><div id="right"><h1>${esc(d.title)}</h1>${ask(d)}${childrenOf(d, null).map(post).join('')}</div>`,
  );
};

const badges = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="entry-row"><span class="av">${initials(p)}</span><div class="entry-main"><div><span>${esc(p.author)}</span> <span class="badge">${p.staff ? 'INSTRUCTOR' : 'STUDENT'}</span></div><div>${at(p, 'us-words')}</div><div>(Post is unread)</div><div class="t">${ps(p)}</div><div>Reply</div><div>0 likes</div></div>${below(d, p).length ? `<div class="entry-kids">${below(d, p).map(post).join('')}</div>` : ''}</div>`;
  return page(d, `<h1>${esc(d.title)}</h1><div>${ask(d)}</div>${childrenOf(d, null).map(post).join('')}`);
};

const counters = (d: Labelled) => {
  const post = (p: Post): string =>
    `<li><div><strong>${esc(p.author)}</strong></div><div>${at(p, 'long')}</div><div>${ps(p)}</div>${below(d, p).length ? `<div>${below(d, p).length} replies, 1 unread. Last reply ${at(below(d, p).at(-1) as Post, 'short')}</div><ul>${below(d, p).map(post).join('')}</ul>` : ''}</li>`;
  return page(
    d,
    `<main><h1>${esc(d.title)}</h1>${ask(d)}<ul>${childrenOf(d, null).map(post).join('')}</ul></main>`,
  );
};

const withRubric = (d: Labelled) =>
  page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}<table><tr><th>Criterion</th><th>Full marks</th><th>No marks</th></tr><tr><td>Argument</td><td>5 points</td><td>0 points</td></tr><tr><td>Replies</td><td>5 points</td><td>0 points</td></tr></table><p>Due ${esc(d.due)}</p>${threads(
      d,
    )
      .map(
        (p) =>
          `<div class="reply depth${deep(d, p)}"><h4>${esc(p.author)}</h4><h5>${at(p, 'us')}</h5>${ps(p)}</div>`,
      )
      .join('')}`,
  );

const copied = (d: Labelled) =>
  [
    d.course,
    d.title,
    ...d.prompt,
    `${d.posts.length} replies`,
    ...d.posts.flatMap((p) => [
      p.author,
      at(p, 'us-words'),
      ...(p.parent === null ? [] : [`Replying to ${over(d, p)}`]),
      ...p.text,
      'Reply',
      'Like',
    ]),
  ].join('\n');

const quotedMail = (d: Labelled) => {
  // A thread as a mail program forwards it: the newest on top, each older one a step further quoted.
  const chain: Post[] = [];
  let last: Post | undefined = d.posts.filter(
    (p) => deep(d, p) === Math.max(...d.posts.map((q) => deep(d, q))),
  )[0];
  while (last) {
    chain.push(last);
    last = last.parent === null ? undefined : d.posts[last.parent];
  }
  return chain;
};
const forwarded = (d: Labelled): Labelled => {
  const chain = quotedMail(d).reverse();
  return { ...d, posts: chain.map((p, i) => ({ ...p, parent: i === 0 ? null : i - 1 })) };
};
const mailText = (d: Labelled) => {
  const chain = [...d.posts].reverse();
  const [top] = chain;
  return [
    `Subject: Fwd: ${d.title}`,
    `From: ${top?.author}`,
    `Date: ${at(top as Post, 'stamp')}`,
    '',
    ...chain.flatMap((p, i) => {
      const q = '> '.repeat(i);
      const next = chain[i + 1];
      return [
        ...p.text.flatMap((t) => [q + t, q.trim()]),
        ...(next ? [`${q}On ${at(next, 'stamp')}, ${next.author} wrote:`] : []),
      ];
    }),
  ].join('\n');
};

const tabs = (d: Labelled) =>
  [
    d.title,
    ...d.prompt,
    'Author\tDate\tIn reply to\tMessage',
    ...d.posts.map(
      (p) => `${p.author}\t${at(p, 'iso')}\t${p.parent === null ? '' : over(d, p)}\t${p.text.join(' ')}`,
    ),
  ].join('\n');

const labelled = (d: Labelled) =>
  page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}${d.posts.map((p, i) => `<table class="m" id="m${i}"><tr><th>Author:</th><td>${esc(p.author)}</td></tr><tr><th>Date:</th><td>${at(p, 'weekday')}</td></tr><tr><th>Subject:</th><td>${esc(p.title ?? '')}</td></tr>${p.parent === null ? '' : `<tr><th>Parent:</th><td><a href="#m${p.parent}">${esc(over(d, p))}</a></td></tr>`}<tr><td colspan="2">${ps(p)}</td></tr></table>`).join('')}`,
  );

const dateFirst = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="c"><div class="m"><span style="float:right">${at(p, 'short')}</span><b>${esc(p.author)}</b></div>${ps(p)}${below(d, p).length ? `<div class="cc" style="margin-left:2em">${below(d, p).map(post).join('')}</div>` : ''}</div>`;
  return page(d, `<h2>${esc(d.title)}</h2>${ask(d)}${childrenOf(d, null).map(post).join('')}`);
};

const pronouns = (d: Labelled) => {
  const post = (p: Post): string =>
    `<article><h3>${esc(p.author)} (${no(d, p) % 2 ? 'he/him' : 'she/her'})</h3><p>${at(p, 'long')}</p>${ps(p)}${below(d, p).map(post).join('')}</article>`;
  return page(d, `<h1>${esc(d.title)}</h1>${ask(d)}${childrenOf(d, null).map(post).join('')}`);
};

const capitals = (d: Labelled) =>
  page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}${threads(d)
      .map(
        (p) =>
          `<p style="margin-left:${deep(d, p) * 40}px"><b>${esc(p.author.replace(/^(?:Dr|Prof)\. /u, '').toUpperCase())}</b><br><i>${at(p, 'long')}</i><br>${p.text.map(esc).join('<br>')}</p>`,
      )
      .join('')}`,
  );

const identified = (d: Labelled) => {
  const post = (p: Post): string =>
    `<li><div class="hd">${esc(p.author)} · ${20_391 + no(d, p)} · ${at(p, 'iso')}</div><div>${ps(p)}</div>${below(d, p).length ? `<ol>${below(d, p).map(post).join('')}</ol>` : ''}</li>`;
  return page(d, `<h1>${esc(d.title)}</h1>${ask(d)}<ol>${childrenOf(d, null).map(post).join('')}</ol>`);
};

const apart = (d: Labelled) =>
  page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}<h2>Responses</h2>${childrenOf(d, null)
      .map((p) => `<div class="box"><p><b>${esc(p.author)}</b>, ${at(p, 'short')}</p>${ps(p)}</div>`)
      .join('')}<h2>Replies</h2>${d.posts
      .filter((p) => p.parent !== null)
      .map(
        (p) =>
          `<div class="box"><p><b>${esc(p.author)}</b>, ${at(p, 'short')}, in reply to ${esc(over(d, p))}</p>${ps(p)}</div>`,
      )
      .join('')}`,
  );

const inlineNames = (d: Labelled) => {
  const post = (p: Post): string =>
    `<li><p><b>${esc(p.author)}:</b> ${esc(p.text[0] ?? '')}</p>${p.text
      .slice(1)
      .map((t) => `<p>${esc(t)}</p>`)
      .join('')}${below(d, p).length ? `<ul>${below(d, p).map(post).join('')}</ul>` : ''}</li>`;
  return page(d, `<h1>${esc(d.title)}</h1>${ask(d)}<ul>${childrenOf(d, null).map(post).join('')}</ul>`);
};

const byDay = (d: Labelled) => {
  const days = [...new Set(d.posts.map((p) => p.at.slice(0, 10)))];
  return page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}${days
      .map(
        (day) =>
          `<h2>${at({ at: `${day}T00:00` }, 'weekday').replace(/, 12:00 AM$/u, '')}</h2>${d.posts
            .filter((p) => p.at.startsWith(day))
            .map(
              (p) =>
                `<div class="one"><div><b>${esc(p.author)}</b> at ${p.at.slice(11)}${p.parent === null ? '' : ` to ${esc(over(d, p))}`}</div>${ps(p)}</div>`,
            )
            .join('')}`,
      )
      .join('')}`,
  );
};

const office = (d: Labelled) =>
  page(
    d,
    `<div class="WordSection1"><p class="MsoTitle">${esc(d.title)}</p>${d.prompt.map((t) => `<p class="MsoNormal">${esc(t)}</p>`).join('')}${threads(
      d,
    )
      .map(
        (p) =>
          `<p class="MsoNormal" style="margin-left:${deep(d, p) * 36}.0pt"><b>${esc(p.author)}</b><o:p></o:p></p><p class="MsoNormal" style="margin-left:${deep(d, p) * 36}.0pt"><i>${at(p, 'long')}</i></p>${p.text.map((t) => `<p class="MsoNormal" style="margin-left:${deep(d, p) * 36}.0pt">${esc(t)}</p>`).join('')}`,
      )
      .join('')}</div>`,
  );

const printView = (d: Labelled) =>
  page(
    d,
    `<h1>${esc(d.title)}</h1><p>${d.prompt.map(esc).join('</p><p>')}</p>${d.posts.map((p) => `<hr><div><strong>Posted by: ${esc(p.author)} on ${at(p, 'dots').replace(', ', ' at ').replace(' Uhr', '')}${p.parent === null ? '' : ` in response to ${esc(over(d, p))}`}</strong></div>${ps(p)}`).join('')}`,
  );

const bodyFirst = (d: Labelled) => {
  const post = (p: Post): string =>
    `<li><div class="tx">${ps(p)}</div><div class="wh"><a href="#u">${esc(p.author)}</a></div><div class="tm">${at(p, 'ago')}</div>${below(d, p).length ? `<ul>${below(d, p).map(post).join('')}</ul>` : ''}</li>`;
  return page(
    d,
    `<h1>${esc(d.title)}</h1><div>${ask(d)}</div><ul>${childrenOf(d, null).map(post).join('')}</ul>`,
  );
};

const columns = (d: Labelled) =>
  page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}<div class="list">${threads(d)
      .map(
        (p) =>
          `<div class="row" data-depth="${deep(d, p)}"><div class="col"><img src="a.png" alt="${esc(p.author)}"><div>${esc(p.author)}</div><div>Posts: ${no(d, p) + 3}</div><div>Joined: ${at({ at: '2026-09-01T08:00' }, 'short')}</div></div><div class="col"><div>${at(p, 'us')}</div><div>${ps(p)}</div></div></div>`,
      )
      .join('')}</div>`,
  );

const shortAges = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="k"><div><b>${esc(p.author)}</b> <time datetime="${p.at}:00">${Math.max(1, Math.floor((Date.parse('2026-12-06T08:00Z') - Date.parse(`${p.at}Z`)) / 86_400_000))}d</time></div><div>${ps(p)}</div><div>Reply</div>${below(d, p).length ? `<div class="kk">${below(d, p).map(post).join('')}</div>` : ''}</div>`;
  return page(d, `<h1>${esc(d.title)}</h1>${ask(d)}${childrenOf(d, null).map(post).join('')}`);
};

const FORWARDED = forwarded(MAPS);

/** Twenty more, written after those of the second set had been learned from. */
export const THIRD: SavedPage[] = (
  [
    ['with a menu', withMenu, MAPS],
    ['badges', badges, SLEEP],
    ['counters', counters, TOOLS],
    ['a rubric', withRubric, MAPS],
    ['copied', copied, SLEEP],
    ['a forwarded mail', mailText, FORWARDED],
    ['tabs', tabs, TOOLS],
    ['labels', labelled, TOOLS],
    ['the moment first', dateFirst, MAPS],
    ['pronouns', pronouns, SLEEP],
    ['capitals', capitals, MAPS],
    ['numbers of people', identified, TOOLS],
    ['replies apart', apart, SLEEP],
    ['names in the text', inlineNames, MAPS],
    ['by day', byDay, SLEEP],
    ['an office page', office, TOOLS],
    ['a print view', printView, MAPS],
    ['the text first', bodyFirst, SLEEP],
    ['columns', columns, MAPS],
    ['short ages', shortAges, TOOLS],
  ] as const
).map(([name, make, of]) => ({ name, content: make(of), of }));
