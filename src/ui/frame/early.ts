type Early = {
  pressed: { key: string; timeStamp: number }[];
  clicked: { button: HTMLElement; timeStamp: number }[];
  stop: () => void;
};
declare global {
  interface Window {
    pulpitEarly?: Early;
  }
}

/**
 * Stands in the page's head: what is pressed before the scripts that act on it have come is remembered, keys outside a field and
 * buttons that do nothing by themselves, so that whoever is quick, or on a slow line, is heard all the same.
 */
export const EARLY = `(()=>{const pressed=[],clicked=[];
const key=(e)=>{const t=e.target;
if(e.ctrlKey||e.metaKey||e.altKey||e.key.length>1||pressed.length>9||(t instanceof HTMLElement&&(t.isContentEditable||/^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName))))return;
pressed.push({key:e.key,timeStamp:e.timeStamp})};
const click=(e)=>{const b=e.target instanceof Element&&e.target.closest('button[type="button"]');
if(b&&!b.disabled&&clicked.length<10&&!Object.keys(b).some((k)=>k.startsWith('__reactProps')))clicked.push({button:b,timeStamp:e.timeStamp})};
addEventListener('keydown',key,true);addEventListener('click',click,true);
window.pulpitEarly={pressed,clicked,stop:()=>{removeEventListener('keydown',key,true);removeEventListener('click',click,true)}}})()`;

/** Who pressed something so long ago has given it up. */
const STILL_MEANT_MS = 10_000;

/** What was pressed too early, once; from here on nothing more is remembered. */
export function takeEarly(): Pick<Early, 'pressed' | 'clicked'> {
  const early = window.pulpitEarly;
  delete window.pulpitEarly;
  early?.stop();
  const since = performance.now() - STILL_MEANT_MS;
  return {
    pressed: (early?.pressed ?? []).filter((k) => k.timeStamp > since),
    clicked: (early?.clicked ?? []).filter((c) => c.timeStamp > since && c.button.isConnected),
  };
}
