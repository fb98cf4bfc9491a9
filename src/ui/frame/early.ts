type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
type Early = {
  pressed: KeyboardEvent[];
  clicked: { button: HTMLElement; timeStamp: number }[];
  /** What was written and chosen in fields, the last of it last; of boxes whether they are ticked. */
  fields: Map<Field, string | boolean>;
  /** Lets go of the fields, which are from now on those of the page's scripts. */
  release: () => void;
  stop: () => void;
  /** The page is the scripts’ own from now on, as a whole: what is pressed acts by itself. */
  taken: () => void;
};
declare global {
  interface Window {
    pulpitEarly?: Early;
  }
}

/**
 * Stands in the page's head: what is pressed before the scripts that act on it have come is remembered, keys outside a field and
 * buttons that do nothing by themselves, and in which fields something was written or chosen, so that whoever is quick, or on a slow
 * line, is heard all the same. A link that opens something over the page (`data-opens-here`) is followed where nothing came to open it.
 *
 * React takes over a text area by setting its text and its first text anew: what was written is gone, and the cursor stands at the beginning. So an
 * area in which somebody is takes no other text, and says that it has none, until that is over.
 */
export const EARLY = `(()=>{const pressed=[],clicked=[],fields=new Map(),held=new Set();
let taken=false;
const key=(e)=>{const t=e.target;
if(e.ctrlKey||e.metaKey||e.altKey||e.key.length>1||pressed.length>9||(t instanceof HTMLElement&&(t.isContentEditable||/^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName))))return;
pressed.push(e)};
const click=(e)=>{const b=e.target instanceof Element&&e.target.closest('button[type="button"]');
if(b&&!b.disabled&&clicked.length<10)clicked.push({button:b,timeStamp:e.timeStamp});
const a=!b&&e.target instanceof Element&&e.target.closest('a[data-opens-here]');
if(a&&!(e.ctrlKey||e.metaKey||e.shiftKey)){e.preventDefault();clicked.push({button:a,timeStamp:e.timeStamp});setTimeout(()=>{if(!taken)location.assign(a.href)},5e3)}};
const hold=(e)=>{const t=e.target;if(!(t instanceof HTMLTextAreaElement)||held.has(t))return;held.add(t);
const first=Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype,'defaultValue');
Object.defineProperty(t,'defaultValue',{configurable:true,get:()=>first.get.call(t),set:()=>{}});
Object.defineProperty(t,'textContent',{configurable:true,get:()=>'',set:()=>{}})};
const write=(e)=>{const t=e.target;if(!(t instanceof Element)||!/^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName))return;hold(e);fields.delete(t);fields.set(t,/^(checkbox|radio)$/.test(t.type)?t.checked:t.value)};
const on={keydown:key,click,focusin:hold,input:write,change:write},each=(of,what)=>{for(const k of of)what(k,on[k],true)};
each(Object.keys(on),addEventListener);
window.pulpitEarly={pressed,clicked,fields,taken:()=>{taken=true;removeEventListener('click',click,true)},release:()=>{each(['focusin','input','change'],removeEventListener);for(const t of held){delete t.defaultValue;delete t.textContent}},stop:()=>each(['keydown'],removeEventListener)}})()`;

/** Who pressed something so long ago has given it up. */
const STILL_MEANT_MS = 10_000;

const ready = new Set<'frame' | 'page'>();

/**
 * Says that the frame, or a page that acts on keys of its own (it has `data-own-keys`), hears what is pressed. Once both do, what was pressed
 * before is pressed again, and from there on nothing more is remembered.
 */
export function hearsKeys(who: 'frame' | 'page') {
  ready.add(who);
  window.pulpitEarly?.taken();
  if (!window.pulpitEarly || !ready.has('frame')) return;
  if (!ready.has('page') && document.querySelector('[data-own-keys]')) return;
  void pressAgain();
}

async function pressAgain() {
  const early = window.pulpitEarly;
  if (!early) return;
  const behind = keysBehind(early.pressed.length > 0);
  early.stop();
  const written = writeAgain();
  delete window.pulpitEarly;
  await written;
  const since = performance.now() - STILL_MEANT_MS;
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

/** What was written and chosen early stands in the fields again, and is said to the page's scripts, whoever of them keeps it. */
export async function writeAgain() {
  const early = window.pulpitEarly;
  if (!early) return;
  early.release();
  const written = [...early.fields];
  early.fields.clear();
  for (const [field, state] of written) {
    // What the last one changed is drawn by then.
    await Promise.resolve();
    if (field.isConnected) sayAgain(field, state);
  }
}

function sayAgain(field: Field, state: string | boolean) {
  if (field instanceof HTMLSelectElement) {
    field.value = String(state);
    field.dispatchEvent(new Event('change', { bubbles: true }));
  } else if (field.type === 'file') {
    field.dispatchEvent(new Event('change', { bubbles: true }));
  } else if (typeof state === 'string') {
    typeAgain(field, state);
  } else if (field instanceof HTMLInputElement && (state || field.type === 'checkbox')) {
    field.checked = !state;
    field.click();
  }
}

/** React hears of a text only where it is another than the last one it knows: it is told of an empty one first. */
function typeAgain(field: HTMLInputElement | HTMLTextAreaElement, text: string) {
  const { selectionStart, selectionEnd } = field;
  const of = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  field.value = text === '' ? ' ' : '';
  Object.getOwnPropertyDescriptor(of.prototype, 'value')?.set?.call(field, text);
  // Fields of numbers and addresses have no cursor that could be asked for.
  if (selectionStart !== null) field.setSelectionRange(selectionStart, selectionEnd);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}
