import { MARKS } from './kinds/inlines';
import * as plain from './kinds/plain-marks';
import type { MarkKind } from './kind';
import type { PlainMark } from './nodes';

const KINDS = new Map<string, MarkKind>(MARKS.map((kind): [string, MarkKind] => [kind.type, kind]));

/**
 * What the kind of a mark says of it; undefined where there is no such kind.
 * @example markKind('blink') // undefined
 */
export const markKind = (type: string) => KINDS.get(type);

/** The elements of HTML that say no more than that their mark is there. */
export const PLAIN_TAGS: ReadonlyMap<string, string> = new Map(
  MARKS.flatMap((kind) => (kind.tag ? [[kind.type, kind.tag] as const] : [])),
);

/** The marks by the elements of HTML that are read as them. */
export const MARK_OF_ELEMENT: ReadonlyMap<string, PlainMark> = new Map(
  Object.values(plain).flatMap((kind) =>
    (kind.elements ?? []).map((element): [string, PlainMark] => [element, kind.type]),
  ),
);
