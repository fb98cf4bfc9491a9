type EarlyKeys = { pressed: { key: string; timeStamp: number }[]; stop: () => void };
declare global {
  interface Window {
    pulpitEarlyKeys?: EarlyKeys;
  }
}

/**
 * Stands in the page's head: what is pressed outside a field before the scripts that act on keys have come is remembered,
 * so that whoever is quick, or on a slow line, is heard all the same.
 */
export const EARLY_KEYS = `(()=>{const pressed=[];const hear=(e)=>{const t=e.target;
if(e.ctrlKey||e.metaKey||e.altKey||e.key.length>1||pressed.length>9||(t instanceof HTMLElement&&(t.isContentEditable||/^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName))))return;
pressed.push({key:e.key,timeStamp:e.timeStamp})};addEventListener('keydown',hear,true);
window.pulpitEarlyKeys={pressed,stop:()=>removeEventListener('keydown',hear,true)}})()`;

/** Who pressed a key so long ago has given it up. */
const STILL_MEANT_MS = 10_000;

/** What was pressed too early, once; from here on nothing more is remembered. */
export function takeEarlyKeys(): EarlyKeys['pressed'] {
  const early = window.pulpitEarlyKeys;
  delete window.pulpitEarlyKeys;
  early?.stop();
  const since = performance.now() - STILL_MEANT_MS;
  return (early?.pressed ?? []).filter((k) => k.timeStamp > since);
}
