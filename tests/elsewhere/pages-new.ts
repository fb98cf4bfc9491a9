import type { Labelled } from './discussions';
import { BRIDGES, NOISE, RECIPES } from './discussions-new';
import { at, childrenOf, esc, paragraphs as ps, type SavedPage } from './page';

type Post = Labelled['posts'][number];
const page = (d: Labelled, body: string, head = '') =>
  `<!DOCTYPE html><html lang="en"><head><title>${esc(d.course)}: ${esc(d.title)}</title>${head}</head><body>${body}</body></html>`;
const no = (d: Labelled, p: Post) => d.posts.indexOf(p);
const deep = (d: Labelled, p: Post): number =>
  p.parent === null ? 0 : 1 + deep(d, d.posts[p.parent] as Post);
const inThreads = (d: Labelled, of: number | null = null): Post[] =>
  childrenOf(d, of).flatMap((p) => [p, ...inThreads(d, no(d, p))]);
const below = (d: Labelled, p: Post) => childrenOf(d, no(d, p));
const ask = (d: Labelled) => d.prompt.map((t) => `<p>${esc(t)}</p>`).join('');

const twoPanes = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="post-w"><div class="post-h"><span class="nm">${esc(p.author)}</span><span class="dt">${at(p, 'us-words')}</span></div>${ps(p)}${below(d, p).length ? `<div class="post-c">${below(d, p).map(post).join('')}</div>` : ''}</div>`;
  return page(
    d,
    `<aside><h2>Threads</h2><ul>${childrenOf(d, null)
      .map((p) => `<li><a href="#t${no(d, p)}">${esc(p.author)}</a> <small>${at(p, 'short')}</small></li>`)
      .join(
        '',
      )}</ul></aside><main><h1>${esc(d.title)}</h1>${ask(d)}${childrenOf(d, null).map(post).join('')}</main>`,
  );
};

const timeBelow = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="bubble"><div class="head"><div class="av">${p.author
      .split(' ')
      .map((w) => w[0])
      .join(
        '',
      )}</div><b>${esc(p.author)}</b></div><div class="says">${ps(p)}</div><div class="foot"><span>Posted ${at(p, 'us')}</span><a>Reply</a></div>${below(d, p).map(post).join('')}</div>`;
  return page(
    d,
    `<h1>${esc(d.title)}</h1><div class="q">${ask(d)}</div>${childrenOf(d, null).map(post).join('')}`,
  );
};

const nestedTables = (d: Labelled) => {
  const post = (p: Post): string =>
    `<table border="0" cellpadding="4"><tr><td bgcolor="#eeeeee"><b>${esc(p.title ?? 'Re: ' + d.title)}</b><br>${esc(p.author)} - ${at(p, 'weekday')}</td></tr><tr><td>${ps(p)}</td></tr>${below(d, p).length ? `<tr><td><blockquote>${below(d, p).map(post).join('')}</blockquote></td></tr>` : ''}</table>`;
  return page(
    d,
    `<center><h2>${esc(d.title)}</h2></center>${ask(d)}<hr>${childrenOf(d, null).map(post).join('')}`,
  );
};

const besideArticle = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="node"><article><p class="by">${esc(p.author)} <span>${at(p, 'long')}</span></p>${ps(p)}</article>${below(d, p).length ? `<div class="sub">${below(d, p).map(post).join('')}</div>` : ''}</div>`;
  return page(
    d,
    `<header><a href="/">All courses</a></header><div id="c"><h1>${esc(d.title)}</h1><div>${ask(d)}</div><div class="tree">${childrenOf(d, null).map(post).join('')}</div></div><footer>Last updated 19 November 2026</footer>`,
  );
};

const onlySpans = (d: Labelled) =>
  page(
    d,
    `<span style="font-size:24px">${esc(d.title)}</span><br><span>${d.prompt.map(esc).join('<br>')}</span><br><br>${inThreads(
      d,
    )
      .map(
        (p) =>
          `<span style="margin-left:${deep(d, p) * 20}px"><span style="font-weight:bold">${esc(p.author)}</span> <span>(${at(p, 'iso')})</span><br><span>${p.text.map(esc).join('<br>')}</span></span><br><br>`,
      )
      .join('')}`,
  );

const comments = (d: Labelled) => {
  const post = (p: Post): string =>
    `<li id="comment-${no(d, p) + 70}"><article><footer><cite>${esc(p.author)}</cite> <span>says:</span> <a href="#comment-${no(d, p) + 70}"><time datetime="${p.at}">${at(p, 'us-words')}</time></a></footer><div>${ps(p)}</div><div><a rel="nofollow" href="#respond">Reply</a></div></article>${below(d, p).length ? `<ol class="children">${below(d, p).map(post).join('')}</ol>` : ''}</li>`;
  return page(
    d,
    `<main><h1>${esc(d.title)}</h1><section>${ask(d)}</section><h2>${d.posts.length} thoughts on “${esc(d.title)}”</h2><ol>${childrenOf(d, null).map(post).join('')}</ol></main>`,
  );
};

const mails = (d: Labelled) =>
  [
    ...d.prompt,
    '',
    ...d.posts.flatMap((p) => [
      '',
      `From: ${p.author}`,
      `Date: ${at(p, 'stamp')}`,
      `Subject: ${p.parent === null ? (p.title ?? d.title) : `Re: ${d.posts[p.parent]?.title ?? d.title}`}`,
      ...(p.parent === null ? [] : [`In reply to: ${d.posts[p.parent]?.author}`]),
      '',
      ...p.text.flatMap((t) => [t, '']),
    ]),
  ].join('\n');

const marked = (d: Labelled) =>
  [
    `# ${d.title}`,
    '',
    ...d.prompt.flatMap((t) => [t, '']),
    ...inThreads(d).flatMap((p) => [
      `${'#'.repeat(deep(d, p) + 2)} ${p.author} (${at(p, 'short')})`,
      '',
      ...p.text.flatMap((t) => [t, '']),
    ]),
  ].join('\n');

const transcript = (d: Labelled) =>
  [
    `${d.course} / ${d.title}`,
    '',
    ...d.prompt,
    '',
    ...d.posts.map(
      (p) =>
        `[${at(p, 'day-first')}] ${p.author}${p.parent === null ? '' : ` to ${d.posts[p.parent]?.author}`}: ${p.text.join(' ')}`,
    ),
  ].join('\n');

const paper = (d: Labelled) => {
  const lines = [
    d.title,
    d.course,
    '',
    ...d.prompt,
    '',
    ...inThreads(d).flatMap((p) => [
      `${' '.repeat(6 * deep(d, p))}${p.author}`,
      `${' '.repeat(6 * deep(d, p))}${at(p, 'us-words')}`,
      ...p.text.flatMap((t) =>
        (t.match(/.{1,66}(?:\s|$)/gu) ?? []).map((l) => ' '.repeat(6 * deep(d, p)) + l.trim()),
      ),
      '',
    ]),
  ];
  return lines
    .flatMap((l, i) => (i > 0 && i % 30 === 0 ? ['', `${d.title}    Page ${i / 30} of 3`, '', l] : [l]))
    .join('\n');
};

const spaced = (d: Labelled) =>
  page(
    d,
    `<h3>${esc(d.course)}</h3><h3>${esc(d.title)}</h3>${ask(d)}<table>${inThreads(d)
      .map(
        (p) =>
          `<tr><td>${'&nbsp;&nbsp;&nbsp;&nbsp;'.repeat(deep(d, p))}</td><td valign="top">${esc(p.author)}<br>${at(p, 'dots')}</td><td>${ps(p)}</td></tr>`,
      )
      .join('')}</table>`,
  );

const folding = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="item"><h3><button aria-expanded="true">${esc(p.author)}, ${at(p, 'short')}</button></h3><div role="region">${ps(p)}${below(d, p).map(post).join('')}</div></div>`;
  return page(d, `<h1>${esc(d.title)}</h1>${ask(d)}${childrenOf(d, null).map(post).join('')}`);
};

const tree = (d: Labelled) =>
  page(
    d,
    `<div role="main"><div role="heading" aria-level="1">${esc(d.title)}</div>${ask(d)}<div role="tree">${inThreads(
      d,
    )
      .map(
        (p) =>
          `<div role="treeitem" aria-level="${deep(d, p) + 1}" aria-label="${esc(p.author)}"><span>${esc(p.author)}</span> <span>•</span> <span>${at(p, 'ago')}</span><p>${p.text.map(esc).join('</p><p>')}</p></div>`,
      )
      .join('')}</div></div>`,
  );

const from = (d: Labelled) => {
  const post = (p: Post): string =>
    `<fieldset><legend>Von: ${esc(p.author)}</legend><div>${at(p, 'dots')}</div>${ps(p)}${below(d, p).map(post).join('')}</fieldset>`;
  return page(
    d,
    `<h1>${esc(d.title)}</h1><p>${d.prompt.map(esc).join('<br/>')}</p>${childrenOf(d, null).map(post).join('')}`,
  );
};

const titled = (d: Labelled) => {
  const post = (p: Post): string =>
    `<section><h4>${esc(p.title ?? `Answer to ${d.posts[p.parent ?? 0]?.author}`)}</h4><p><i>posted by ${esc(p.author)} on ${at(p, 'long')}</i></p>${ps(p)}${below(d, p).length ? `<div>${below(d, p).map(post).join('')}</div>` : ''}</section>`;
  return page(d, `<h1>${esc(d.title)}</h1>${ask(d)}${childrenOf(d, null).map(post).join('')}`);
};

const arrows = (d: Labelled) =>
  page(
    d,
    `<div><h1>${esc(d.title)}</h1>${ask(d)}</div>${d.posts.map((p) => `<div><p><b>${esc(p.author)}</b>${p.parent === null ? '' : ` → ${esc(d.posts[p.parent]?.author ?? '')}`} <small>${at(p, 'short')}</small></p>${ps(p)}</div>`).join('')}`,
  );

const hashed = (d: Labelled) => {
  const post = (p: Post): string =>
    `<div class="x1k2"><div class="x9qa"><div class="xq0"><a class="z1" href="/u/${no(d, p)}">${esc(p.author)}</a><span class="z2" title="${p.at}">${at(p, 'ago')}</span></div><div class="xz7">${ps(p)}</div><div class="xa3"><span>${no(d, p) + 2} likes</span><span>Reply</span></div></div><div class="xc5">${below(d, p).map(post).join('')}</div></div>`;
  return page(
    d,
    `<div class="root"><div class="b0"><div class="t0">${esc(d.title)}</div><div class="t1">${ask(d)}</div></div><div class="l0">${childrenOf(d, null).map(post).join('')}</div></div>`,
  );
};

const framed = (d: Labelled) => {
  const rows = inThreads(d)
    .map(
      (p) =>
        `<tr class="d${deep(d, p)}"><td>${esc(p.author)}</td><td style="padding-left:${deep(d, p) * 24}px">${ps(p)}<div align="right"><small>${at(p, 'short')}</small></div></td></tr>`,
    )
    .join('');
  return page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}<iframe srcdoc="${esc(`<table>${rows}</table>`)}"></iframe>`,
  );
};

const described = (d: Labelled) => {
  const comment = (p: Post): object => ({
    '@type': 'Comment',
    author: { '@type': 'Person', name: p.author },
    datePublished: p.at,
    text: p.text.join('\n\n'),
    comment: below(d, p).map(comment),
  });
  const data = {
    '@context': 'https://schema.org',
    '@type': 'DiscussionForumPosting',
    headline: d.title,
    articleBody: d.prompt.join('\n\n'),
    comment: childrenOf(d, null).map(comment),
  };
  return page(
    d,
    `<h1>${esc(d.title)}</h1>${ask(d)}<div id="app">${inThreads(d)
      .map((p) => `<p>${p.text.map(esc).join('<br>')}</p>`)
      .join('')}</div>`,
    `<script type="application/ld+json">${JSON.stringify(data).replace(/</gu, '\\u003c')}</script>`,
  );
};

const grid = (d: Labelled) =>
  page(
    d,
    `<div><strong>${esc(d.course)}</strong></div><h1>${esc(d.title)}</h1><div>Due: ${esc(d.due)}</div>${ask(d)}<div>${inThreads(
      d,
    )
      .map(
        (p) =>
          `<div style="display:grid"><div style="margin-left:${deep(d, p) * 3}rem"><div><span>${esc(p.author)}</span>${p.staff ? '<span>Teacher</span>' : ''}</div><div>${at(p, 'weekday')}</div><div>${ps(p)}</div></div></div>`,
      )
      .join('')}</div>`,
  );

/** Twenty pages in other ways, written after the reading was made: read for the first time by their test. */
export const NEW: SavedPage[] = (
  [
    ['two panes', twoPanes, BRIDGES],
    ['the moment below', timeBelow, RECIPES],
    ['nested tables', nestedTables, BRIDGES],
    ['beside an article', besideArticle, NOISE],
    ['only spans', onlySpans, RECIPES],
    ['comments', comments, NOISE],
    ['mails', mails, BRIDGES],
    ['marked headings', marked, RECIPES],
    ['a transcript', transcript, NOISE],
    ['paper', paper, BRIDGES],
    ['spaces', spaced, RECIPES],
    ['folding', folding, NOISE],
    ['a tree', tree, BRIDGES],
    ['field sets', from, RECIPES],
    ['titles', titled, BRIDGES],
    ['arrows', arrows, NOISE],
    ['hashed classes', hashed, RECIPES],
    ['a framed table', framed, NOISE],
    ['described for machines', described, BRIDGES],
    ['a grid', grid, NOISE],
  ] as const
).map(([name, make, of]) => ({ name, content: make(of), of }));
