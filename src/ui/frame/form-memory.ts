/** What somebody wrote into a form that was sent, until its page says how it went. */
type Kept = { path: string; action: string; nth: number; fields: [name: string, value: string][] };

const KEY = 'pulpit form';
/** A password is nobody's to keep, and what is hidden the page knows itself. */
const NEVER = new Set(['password', 'hidden', 'file', 'submit', 'button', 'image', 'reset']);

type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;
const isField = (e: Element): e is Field =>
  e instanceof HTMLTextAreaElement ||
  e instanceof HTMLSelectElement ||
  (e instanceof HTMLInputElement && !NEVER.has(e.type));
const fieldsOf = (form: HTMLFormElement) => [...form.elements].filter(isField).filter((f) => f.name !== '');
const isTicked = (f: Field) =>
  f instanceof HTMLInputElement && (f.type === 'checkbox' || f.type === 'radio') ? f.checked : true;

const alike = (action: string) =>
  [...document.forms].filter((f) => f.method === 'post' && new URL(f.action).pathname === action);

const sent = new WeakMap<HTMLFormElement, number>();
/** Within so long the same form pressed again is the same press. */
const TWICE_MS = 1_500;

/** Whether a form was sent just now and is pressed again; from the first time on it is on its way. */
export function isBeingSent(form: HTMLFormElement): boolean {
  const now = performance.now();
  const before = sent.get(form);
  sent.set(form, now);
  return before !== undefined && now - before < TWICE_MS;
}

/** Remembers a form as it is sent. */
export function rememberForm(form: HTMLFormElement): void {
  const action = new URL(form.action).pathname;
  const kept: Kept = {
    path: location.pathname,
    action,
    nth: alike(action).indexOf(form),
    fields: fieldsOf(form)
      .filter(isTicked)
      .map((f) => [f.name, f.value]),
  };
  try {
    sessionStorage.setItem(KEY, JSON.stringify(kept));
  } catch {
    // A browser that keeps nothing has Back.
  }
}

function taken(): Kept | null {
  try {
    const text = sessionStorage.getItem(KEY);
    sessionStorage.removeItem(KEY);
    return text ? (JSON.parse(text) as Kept) : null;
  } catch {
    return null;
  }
}

/** Sets a field as if somebody had: whoever keeps its value hears of it. */
function set(field: Field, value: string) {
  const of = Object.getPrototypeOf(field) as object;
  Object.getOwnPropertyDescriptor(of, 'value')?.set?.call(field, value);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new Event('change', { bubbles: true }));
}

/**
 * Puts what was written back into a form that was refused: the page of the answer, which says so of itself, is the one it was sent
 * from. What was taken is remembered no more.
 */
export function restoreForm(refused: boolean): void {
  const kept = taken();
  if (!refused || kept?.path !== location.pathname) return;
  const form = alike(kept.action)[kept.nth];
  if (!form) return;
  const left = [...kept.fields];
  for (const field of fieldsOf(form)) {
    const isBox = field instanceof HTMLInputElement && (field.type === 'checkbox' || field.type === 'radio');
    const at = left.findIndex(([name, value]) => name === field.name && (!isBox || value === field.value));
    if (isBox) {
      if (field.checked !== at >= 0) field.click();
    } else if (at >= 0 && left[at]?.[1] !== field.value) set(field, left[at]?.[1] ?? '');
    if (at >= 0) left.splice(at, 1);
  }
  // What it was written in stands open again.
  form.closest('details')?.setAttribute('open', '');
}
