import { CHECK_IDS, type Brief, type CheckId } from './brief';

/**
 * The checks that a brief asks of a response, required and advised ones, out of some or of all.
 * @example askedChecks(brief, ['sources', 'quotes']) // ['sources'] where it asks for sources and for no quotation
 */
export const askedChecks = (brief: Brief, ids: readonly CheckId[] = CHECK_IDS): CheckId[] =>
  ids.filter((id) => {
    if (id === 'parts') return brief.parts.length > 0;
    const rule: unknown = (brief.response as Partial<Record<CheckId, unknown>>)[id];
    return rule !== undefined && rule !== false;
  });
