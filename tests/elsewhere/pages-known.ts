import { CLOCKS, LEVEES, SIGNS, SOIL, type Labelled } from './discussions';
import { at, childrenOf, esc, paragraphs as ps, type SavedPage } from './page';

type Post = Labelled['posts'][number];
const shell = (d: Labelled, body: string, more = '') =>
  `<!doctype html><html><head><meta charset="utf-8"><title>${esc(d.title)} | ${esc(d.course)}</title>${more}</head><body>${body}</body></html>`;
const indexOf = (d: Labelled, p: Post) => d.posts.indexOf(p);
const depthOf = (d: Labelled, p: Post): number =>
  p.parent === null ? 0 : 1 + depthOf(d, d.posts[p.parent] as Post);
/** The posts in the order of their threads. */
const threaded = (d: Labelled, of: number | null = null): Post[] =>
  childrenOf(d, of).flatMap((p) => [p, ...threaded(d, indexOf(d, p))]);

const nestedArticles = (d: Labelled) => {
  const post = (p: Post): string =>
    `<article class="entry"><header><strong>${esc(p.author)}</strong>${p.staff ? ' <em>Instructor</em>' : ''} <time datetime="${p.at}:00Z">${at(p, 'long')}</time></header><div class="body">${p.title ? `<h4>${esc(p.title)}</h4>` : ''}${ps(p)}</div><footer><button>Reply</button> <a href="#">Like</a></footer>${childrenOf(d, indexOf(d, p)).length ? `<section class="answers">${childrenOf(d, indexOf(d, p)).map(post).join('')}</section>` : ''}</article>`;
  return shell(
    d,
    `<nav><a href="/">Home</a> › ${esc(d.course)}</nav><main><h1>${esc(d.title)}</h1><div class="prompt">${d.prompt.map((t) => `<p>${esc(t)}</p>`).join('')}<p>Due ${esc(d.due)}</p></div><h2>${d.posts.length} replies</h2>${childrenOf(d, null).map(post).join('')}</main><footer>Printed 15 Oct 2026, 08:00</footer>`,
  );
};

const margins = (d: Labelled) =>
  shell(
    d,
    `<h2>${esc(d.course)}</h2><h1>${esc(d.title)}</h1>${d.prompt.map((t) => `<p>${esc(t)}</p>`).join('')}${threaded(
      d,
    )
      .map(
        (p) =>
          `<div class="msg" style="margin-left: ${depthOf(d, p) * 30}px"><div class="who">${esc(p.author)} · ${at(p, 'short')}</div>${ps(p)}<div class="do">Reply · Report</div></div>`,
      )
      .join('')}`,
  );

const table = (d: Labelled) =>
  shell(
    d,
    `<h1>${esc(d.title)}</h1><p>${d.prompt.map(esc).join(' ')}</p><table><thead><tr><th>Author</th><th>Posted</th><th>Answers</th><th>Text</th></tr></thead><tbody>${d.posts
      .map(
        (p) =>
          `<tr><td>${esc(p.author)}</td><td>${at(p, 'iso')}</td><td>${p.parent === null ? '' : `in reply to ${esc(d.posts[p.parent]?.author ?? '')}`}</td><td>${ps(p)}</td></tr>`,
      )
      .join('')}</tbody></table>`,
  );

const definitions = (d: Labelled) => {
  const list = (of: number | null): string => {
    const all = childrenOf(d, of);
    return all.length
      ? `<dl>${all.map((p) => `<dt>${esc(p.author)}, ${at(p, 'day-first')}</dt><dd>${ps(p)}${list(indexOf(d, p))}</dd>`).join('')}</dl>`
      : '';
  };
  return shell(
    d,
    `<div id="page"><h1>${esc(d.title)}</h1><div>${d.prompt.map(esc).join('<br>')}</div>${list(null)}</div>`,
  );
};

const board = (d: Labelled) =>
  shell(
    d,
    `<table width="100%"><tr><td><b>${esc(d.course)}</b></td></tr><tr><td><font size=5>${esc(d.title)}</font></td></tr><tr><td>${d.prompt.map(esc).join('<br><br>')}</td></tr></table>${threaded(
      d,
    )
      .map(
        (p) =>
          `<table class="post"><tr>${'<td width="30"></td>'.repeat(depthOf(d, p))}<td class="left"><b>${esc(p.author)}</b><br>${p.staff ? 'Teacher' : 'Student'}</td><td class="right"><small>Posted: ${at(p, 'us')}</small><hr>${ps(p)}</td></tr></table>`,
      )
      .join('')}`,
  );

const outline = (d: Labelled) => {
  const list = (of: number | null): string =>
    childrenOf(d, of).length
      ? `<ul>${childrenOf(d, of)
          .map(
            (p) =>
              `<li><div class="fp"><h3>${esc(p.title ?? `Re: ${d.title}`)}</h3><div>by <a href="/user/7">${esc(p.author)}</a> - ${at(p, 'weekday')}</div><div class="txt">${ps(p)}</div><div><a href="#p1">Permalink</a> <a href="#">Show parent</a> <a href="#">Reply</a></div></div>${list(indexOf(d, p))}</li>`,
          )
          .join('')}</ul>`
      : '';
  return shell(
    d,
    `<header><h1>${esc(d.course)}</h1></header><div role="main"><h2>${esc(d.title)}</h2>${d.prompt.map((t) => `<p>${esc(t)}</p>`).join('')}${list(null)}</div>`,
  );
};

const under = (d: Labelled) =>
  shell(
    d,
    `<h1>${esc(d.title)}</h1><section><p>${d.prompt.map(esc).join('</p><p>')}</p></section><section>${threaded(
      d,
    )
      .map(
        (p) =>
          `<div style="padding-left:${depthOf(d, p) * 2}em">${ps(p)}<p class="sig">— ${esc(p.author)}, ${at(p, 'short')}</p></div>`,
      )
      .join('')}</section>`,
  );

const cards = (d: Labelled) =>
  shell(
    d,
    `<div class="top">${esc(d.course)}</div><div class="title" role="heading" aria-level="1">${esc(d.title)}</div><div class="ask">${ps({ text: d.prompt })}</div>${d.posts
      .map(
        (p) =>
          `<div class="card"><div class="meta"><span>${esc(p.author)}</span> ${p.parent === null ? 'posted' : `replied to <span>${esc(d.posts[p.parent]?.author ?? '')}</span>`}<span> · ${at(p, 'ago')}</span></div>${ps(p)}<div class="acts"><span role="button">Reply</span><span>3 likes</span></div></div>`,
      )
      .join('')}`,
  );

const details = (d: Labelled) => {
  const post = (p: Post): string =>
    `<details open><summary>${esc(p.author)} (${at(p, 'short')})</summary>${ps(p)}${childrenOf(d, indexOf(d, p)).map(post).join('')}</details>`;
  return shell(
    d,
    `<h1>${esc(d.title)}</h1>${d.prompt.map((t) => `<p>${esc(t)}</p>`).join('')}${childrenOf(d, null).map(post).join('')}`,
  );
};

const sheet = (d: Labelled) =>
  shell(
    d,
    `<h1>${esc(d.title)}</h1><div class="intro"><p>${d.prompt.map(esc).join('</p><p>')}</p></div><ol class="stream">${threaded(
      d,
    )
      .map(
        (p) =>
          `<li class="row in${'abcd'[depthOf(d, p)]}"><p class="a">${esc(p.author)}</p><p class="b">${at(p, 'us-words')}</p>${ps(p)}<p>Word count: ${p.text.join(' ').split(' ').length}</p></li>`,
      )
      .join('')}</ol>`,
    '<style>.row{padding:4px}.inb{margin-left:24px}.inc{margin-left:48px}.ind{margin-left:72px}</style>',
  );

const digest = (d: Labelled) =>
  [
    `${d.course}`,
    `Discussion: ${d.title}`,
    '',
    ...d.prompt,
    '',
    '-'.repeat(60),
    ...threaded(d).flatMap((p) => [
      `${p.author} wrote on ${at(p, 'long')}:`,
      '',
      ...(p.parent === null ? [] : [`[in reply to ${d.posts[p.parent]?.author}]`]),
      ...p.text.flatMap((t) => [t, '']),
      '-'.repeat(60),
    ]),
  ].join('\n');

const printed = (d: Labelled) =>
  [
    `${d.title}`,
    `${d.course}`,
    '',
    ...d.prompt,
    '',
    ...threaded(d).flatMap((p) => {
      const s = ' '.repeat(4 * depthOf(d, p));
      return [
        `${s}${p.author} — ${at(p, 'day-first')}`,
        ...p.text.flatMap((t) => t.match(/.{1,60}(?:\s|$)/gu)?.map((l) => s + l.trim()) ?? []),
        '',
      ];
    }),
  ].join('\n');

const microdata = (d: Labelled) =>
  shell(
    d,
    `<div itemscope itemtype="https://schema.org/DiscussionForumPosting"><h1 itemprop="headline">${esc(d.title)}</h1><div itemprop="articleBody">${d.prompt.map((t) => `<p>${esc(t)}</p>`).join('')}</div>${threaded(
      d,
    )
      .map(
        (p) =>
          `<div itemprop="comment" itemscope id="c${indexOf(d, p)}"><span itemprop="author">${esc(p.author)}</span> <meta itemprop="dateCreated" content="${p.at}"><span>${at(p, 'short')}</span>${p.parent === null ? '' : ` <a href="#c${p.parent}">in reply to this</a>`}<div itemprop="text">${ps(p)}</div></div>`,
      )
      .join('')}</div>`,
  );

const levels = (d: Labelled) =>
  shell(
    d,
    `<h1>${esc(d.title)}</h1><p>${d.prompt.map(esc).join(' ')}</p><div role="feed">${threaded(d)
      .map(
        (p) =>
          `<div role="article" aria-level="${depthOf(d, p) + 1}"><h3>${esc(p.author)}</h3><span>${at(p, 'weekday')}</span><div>${ps(p)}</div></div>`,
      )
      .join('')}</div>`,
  );

const turned = (d: Labelled) =>
  shell(
    d,
    `<h1>${esc(d.title)}</h1><div>${d.prompt.map((t) => `<div>${esc(t)}</div>`).join('')}</div><div class="grid">${threaded(
      d,
    )
      .map((p) => {
        const w = p.author.replace(/^(?:Dr|Prof)\. /u, '').split(' ');
        const first = w.shift();
        return `<div class="r lvl-${depthOf(d, p)}"><div class="c">${esc(w.join(' '))}, ${esc(first ?? '')}</div><div class="c">${at(p, 'us')}</div><div class="t">${ps(p)}</div></div>`;
      })
      .join('')}</div>`,
  );

const frame = (d: Labelled) => {
  const inner = `<ul>${childrenOf(d, null)
    .map(function post(p: Post): string {
      const below = childrenOf(d, indexOf(d, p));
      return `<li><p><b>${esc(p.author)}</b> <i>${at(p, 'short')}</i></p>${ps(p)}${below.length ? `<ul>${below.map(post).join('')}</ul>` : ''}</li>`;
    })
    .join('')}</ul>`;
  return shell(
    d,
    `<h1>${esc(d.title)}</h1><p>${d.prompt.map(esc).join(' ')}</p><iframe srcdoc="${esc(inner)}"></iframe>`,
  );
};

const numbered = (d: Labelled) =>
  shell(
    d,
    `<h1>${esc(d.course)}: ${esc(d.title)}</h1><blockquote>${d.prompt.map((t) => `<p>${esc(t)}</p>`).join('')}</blockquote>${d.posts
      .map(
        (p, i) =>
          `<div><b>#${i + 401}</b> ${esc(p.author)} | ${at(p, 'iso')}${p.parent === null ? '' : ` | in reply to #${p.parent + 401}`}<br>${ps(p)}</div>`,
      )
      .join('<hr>')}`,
  );

const quoting = (d: Labelled) =>
  shell(
    d,
    `<h1>${esc(d.title)}</h1>${ps({ text: d.prompt })}${d.posts
      .map(
        (p) =>
          `<section><h2>${esc(p.author)}</h2><p>${at(p, 'long')}</p>${p.parent === null ? '' : `<blockquote>${esc(d.posts[p.parent]?.author ?? '')} wrote: ${esc(d.posts[p.parent]?.text[0] ?? '')}</blockquote>`}${ps(p)}</section>`,
      )
      .join('')}`,
  );

const sections = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="thread"><div class="post"><img alt=""><h3>${esc(p.author)}</h3><p>${p.staff ? 'Instructor' : 'Student'}</p><p>${at(p, 'us-words')}</p><div>${ps(p)}</div><p><a>Reply</a> <a>Quote</a></p></div><div class="children">${childrenOf(d, indexOf(d, p)).map(post).join('')}</div></div>`;
  return shell(
    d,
    `<main><h1>${esc(d.title)}</h1><p>${esc(d.course)}</p><p>${d.prompt.map(esc).join('</p><p>')}</p><div id="list">${childrenOf(d, null).map(post).join('')}</div></main>`,
  );
};

const namesOnly = (d: Labelled) => {
  const post = (p: Post): string =>
    `<li><strong>${esc(p.author)}:</strong> ${ps(p)}${childrenOf(d, indexOf(d, p)).length ? `<ul>${childrenOf(d, indexOf(d, p)).map(post).join('')}</ul>` : ''}</li>`;
  return shell(
    d,
    `<h1>${esc(d.title)}</h1><p>${d.prompt.map(esc).join('</p><p>')}</p><ul>${childrenOf(d, null).map(post).join('')}</ul>`,
  );
};

/** Twenty pages that were looked at while the reading was made. */
export const KNOWN: SavedPage[] = (
  [
    ['nested articles', nestedArticles, LEVEES],
    ['margins', margins, SIGNS],
    ['a table', table, CLOCKS],
    ['definitions', definitions, SOIL],
    ['an old board', board, LEVEES],
    ['an outline', outline, SOIL],
    ['names under the text', under, SIGNS],
    ['flat cards', cards, CLOCKS],
    ['details', details, SIGNS],
    ['margins of a style sheet', sheet, CLOCKS],
    ['a digest', digest, LEVEES],
    ['a print', printed, SIGNS],
    ['microdata', microdata, CLOCKS],
    ['levels', levels, SOIL],
    ['surnames first', turned, CLOCKS],
    ['a frame', frame, LEVEES],
    ['numbers', numbered, SIGNS],
    ['quotations', quoting, CLOCKS],
    ['nested sections', sections, LEVEES],
    ['names only', namesOnly, SIGNS],
  ] as const
).map(([name, make, of]) => ({ name, content: make(of), of, quotes: name === 'quotations' }));
