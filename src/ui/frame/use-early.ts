import { useEffectEvent, useLayoutEffect, useRef, type RefObject } from 'react';

/**
 * What was typed or chosen in some fields before the scripts came: theirs are the fields as they were sent, and the next thing drawn would put
 * that over it. `take` hears once of all fields by name, a box that is not ticked as nothing, where any is another.
 */
export function useEarly<Root extends HTMLElement>(
  take: (fields: Readonly<Record<string, string>>) => void,
): RefObject<Root | null> {
  const root = useRef<Root>(null);
  const tell = useEffectEvent(take);
  useLayoutEffect(() => {
    const found = [
      ...(root.current?.querySelectorAll<HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement>(
        '[name]',
      ) ?? []),
    ];
    const isBox = (f: Element): f is HTMLInputElement =>
      f instanceof HTMLInputElement && f.type === 'checkbox';
    const isOther = found.some((f) =>
      isBox(f)
        ? f.checked !== f.defaultChecked
        : f instanceof HTMLSelectElement
          ? [...f.options].some((o) => o.selected !== o.defaultSelected)
          : f.value !== f.defaultValue,
    );
    if (isOther) tell(Object.fromEntries(found.map((f) => [f.name, isBox(f) && !f.checked ? '' : f.value])));
  }, []);
  return root;
}
