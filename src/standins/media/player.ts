import { own } from '@/core/own';
import { FILMS } from './site';

const escaped = (text: string) => text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;');

/** The stand-in's player: a drawn river that runs as long as the film is said to be. */
export function playerPage(id: string): string | null {
  const film = own(FILMS, id);
  if (!film) return null;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escaped(film.title)}</title>
<style>html,body{margin:0;height:100%;background:#12343b;color:#fff;font:14px sans-serif}main{display:grid;height:100%;grid-template-rows:1fr auto}
svg{width:100%;height:100%}p{display:flex;gap:12px;align-items:center;margin:0;padding:8px 12px;background:#0c2529}
button{font:inherit;padding:6px 14px;border:0;border-radius:5px;background:#f2c14e;color:#12343b;font-weight:600}progress{flex:1;accent-color:#f2c14e}</style></head>
<body><main><svg viewBox="0 0 160 90" preserveAspectRatio="xMidYMid slice" role="img" aria-label="A river, drawn"><rect width="160" height="90" fill="#2c5f5a"/>
<path id="river" d="M0 60 C40 40 80 80 160 50 V90 H0Z" fill="#7fb7c9"/><circle id="sun" cx="20" cy="20" r="7" fill="#f2c14e"/></svg>
<p><button type="button" aria-pressed="false">Play</button><progress max="${film.seconds}" value="0" aria-label="How far"></progress><span>${escaped(film.title)}</span></p></main>
<script>
const button = document.querySelector('button'), far = document.querySelector('progress');
let timer, at = 0;
const draw = () => {
  far.value = at;
  document.getElementById('sun').setAttribute('cx', String(20 + (120 * at) / ${film.seconds}));
  const h = 50 + 8 * Math.sin(at);
  document.getElementById('river').setAttribute('d', 'M0 60 C40 ' + h + ' 80 ' + (120 - h) + ' 160 50 V90 H0Z');
};
button.onclick = () => {
  const on = !timer;
  clearInterval(timer);
  timer = on ? setInterval(() => { at = at >= ${film.seconds} ? 0 : at + 0.25; draw(); }, 250) : undefined;
  button.textContent = on ? 'Pause' : 'Play';
  button.setAttribute('aria-pressed', String(on));
};
</script></body></html>`;
}
