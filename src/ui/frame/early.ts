type Early = {
  pressed: { key: string; timeStamp: number }[];
  clicked: { button: HTMLElement; timeStamp: number }[];
  written: Map<HTMLInputElement | HTMLTextAreaElement, string>;
  stop: () => void;
};
declare global {
  interface Window {
    pulpitEarly?: Early;
  }
}

/**
 * Stands in the page's head: what is pressed before the scripts that act on it have come is remembered, keys outside a field and
 * buttons that do nothing by themselves, and what is written into fields, which those scripts begin anew, so that whoever is quick, or
 * on a slow line, is heard all the same.
 */
export const EARLY = `(()=>{const pressed=[],clicked=[],written=new Map();
const cold=(n)=>!Object.keys(n).some((k)=>k.startsWith('__reactProps'));
const key=(e)=>{const t=e.target;
if(e.ctrlKey||e.metaKey||e.altKey||e.key.length>1||pressed.length>9||(t instanceof HTMLElement&&(t.isContentEditable||/^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName))))return;
pressed.push({key:e.key,timeStamp:e.timeStamp})};
const click=(e)=>{const b=e.target instanceof Element&&e.target.closest('button[type="button"]');
if(b&&!b.disabled&&clicked.length<10&&cold(b))clicked.push({button:b,timeStamp:e.timeStamp})};
const write=(e)=>{const t=e.target;
if((t instanceof HTMLTextAreaElement||t instanceof HTMLInputElement&&/^(?:text|email|number|search|tel|url)$/.test(t.type))&&(cold(t)||written.has(t)))written.set(t,t.value)};
addEventListener('keydown',key,true);addEventListener('click',click,true);addEventListener('input',write,true);
window.pulpitEarly={pressed,clicked,written,stop:()=>{removeEventListener('keydown',key,true);removeEventListener('click',click,true);removeEventListener('input',write,true)}}})()`;

/** Who pressed something so long ago has given it up. */
const STILL_MEANT_MS = 10_000;

/** What was pressed too early, once; from here on nothing more is remembered. */
export function takeEarly(): Pick<Early, 'pressed' | 'clicked'> {
  const early = window.pulpitEarly;
  delete window.pulpitEarly;
  early?.stop();
  if (early) writeAgain(early.written);
  const since = performance.now() - STILL_MEANT_MS;
  return {
    pressed: (early?.pressed ?? []).filter((k) => k.timeStamp > since),
    clicked: (early?.clicked ?? []).filter((c) => c.timeStamp > since && c.button.isConnected),
  };
}

/** Sets a field's text as if somebody typed it, whoever keeps its value. */
function write(field: HTMLInputElement | HTMLTextAreaElement, text: string) {
  const of = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  Object.getOwnPropertyDescriptor(of.prototype, 'value')?.set?.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** What was written into fields too early stands in them again. */
function writeAgain(written: Early['written']) {
  for (const [field, text] of written) if (field.isConnected && field.value !== text) write(field, text);
}
