type Early = {
  pressed: KeyboardEvent[];
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
pressed.push(e)};
const click=(e)=>{const b=e.target instanceof Element&&e.target.closest('button[type="button"]');
if(b&&!b.disabled&&clicked.length<10&&cold(b))clicked.push({button:b,timeStamp:e.timeStamp})};
const write=(e)=>{const t=e.target;
if((t instanceof HTMLTextAreaElement||t instanceof HTMLInputElement&&/^(?:text|email|number|search|tel|url)$/.test(t.type))&&(cold(t)||written.has(t)))written.set(t,t.value)};
addEventListener('keydown',key,true);addEventListener('click',click,true);addEventListener('input',write,true);
window.pulpitEarly={pressed,clicked,written,stop:()=>{removeEventListener('keydown',key,true);removeEventListener('click',click,true);removeEventListener('input',write,true)}}})()`;

/** Who pressed something so long ago has given it up. */
const STILL_MEANT_MS = 10_000;

const ready = new Set<'frame' | 'page'>();

/**
 * Says that the frame, or a page that acts on keys of its own (it has `data-own-keys`), hears what is pressed. Once both do, what was pressed
 * before is pressed again, and from there on nothing more is remembered.
 */
export function hearsKeys(who: 'frame' | 'page') {
  ready.add(who);
  if (!window.pulpitEarly || !ready.has('frame')) return;
  if (!ready.has('page') && document.querySelector('[data-own-keys]')) return;
  pressAgain();
}

function pressAgain() {
  const early = window.pulpitEarly;
  delete window.pulpitEarly;
  if (!early) return;
  early.stop();
  writeAgain(early.written);
  const since = performance.now() - STILL_MEANT_MS;
  const behind = keysBehind(early.pressed.length > 0);
  // Later: a key may be on its way through the page in this moment, having woken it. What somebody acts on is done.
  setTimeout(() => {
    const meant = early.pressed.filter((e) => e.timeStamp > since && !e.defaultPrevented);
    void pressKeys([...meant.map((e) => e.key), ...behind()]);
  });
  for (const { button, timeStamp } of early.clicked)
    if (timeStamp > since && button.isConnected) {
      // What opens by being pressed down hears that first.
      button.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, button: 0 }));
      button.click();
    }
}

const inField = (t: EventTarget | null) =>
  t instanceof HTMLElement && (t.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/u.test(t.tagName));

/**
 * Keys that are pressed from now on wait behind those that were pressed before, until the answer is asked for them: of "g", which was early, and "m",
 * which was not, the "g" still comes first.
 */
function keysBehind(some: boolean): () => string[] {
  const keys: string[] = [];
  if (!some) return () => keys;
  const wait = (e: KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey || e.key.length > 1 || inField(e.target)) return;
    e.preventDefault();
    e.stopImmediatePropagation();
    keys.push(e.key);
  };
  addEventListener('keydown', wait, true);
  return () => {
    removeEventListener('keydown', wait, true);
    return keys;
  };
}

/** Presses keys one after the other, each on the page as the one before left it. */
export async function pressKeys(keys: readonly string[]) {
  for (const key of keys) {
    // What the last one changed is drawn by then.
    await Promise.resolve();
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  }
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
