import { DIRECTORY } from './site';

const escaped = (text: string) =>
  text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/"/gu, '&quot;');

/** What a browser was sent with goes on with whoever is chosen. */
const hidden = (asked: URLSearchParams) =>
  [...asked]
    .map(([name, value]) => `<input type="hidden" name="${escaped(name)}" value="${escaped(value)}">`)
    .join('');

/** The stand-in's page: who are you? It stands for a college's own page of signing in. */
export const choicePage = (
  asked: URLSearchParams,
) => `<!doctype html><html lang="en"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><title>Tidewell sign-on, a stand-in</title>
<style>body{margin:0 auto;max-width:440px;padding:32px 16px;font:16px/1.5 system-ui,sans-serif;color:#1d2b2a;background:#f4f1ea}
h1{font-size:22px}form{display:grid;gap:8px;margin:0 0 20px}button{font:inherit;padding:10px 14px;text-align:left;border:1px solid #8a9a92;border-radius:6px;background:#fff}
label{display:grid;gap:4px;font-weight:600}input[type=text],input[type=email]{font:inherit;padding:8px;border:1px solid #8a9a92;border-radius:6px}
.row{display:flex;gap:8px;font-weight:400;align-items:center}small{display:block;color:#51605a}</style></head><body><main>
<h1>Tidewell sign-on</h1><p>A stand-in for a college’s own page: it asks for no password, for everybody here is invented.</p>
<form action="authorize" method="get">${hidden(asked)}${DIRECTORY.map(
  (p) =>
    `<button name="as" value="${p.subject}">${escaped(p.name)}<small>${escaped(p.email)}</small></button>`,
).join('')}</form>
<form action="authorize" method="get">${hidden(asked)}<input type="hidden" name="as" value="other">
<label>Name <input type="text" name="as_name" required maxlength="200"></label>
<label>Mail address <input type="email" name="as_email" required maxlength="320"></label>
<label class="row"><input type="checkbox" name="as_verified" value="yes" checked> The address is theirs for sure</label>
<button>Go on as somebody else</button></form>
<form action="authorize" method="get">${hidden(asked)}<button name="as" value="nobody">Go back without signing in</button></form>
</main></body></html>`;
