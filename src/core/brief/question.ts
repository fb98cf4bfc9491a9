/**
 * A question's words as they are compared: without its number, its signs and its capitals.
 * @example bareQuestion('2. Which plan, and why?') // 'which plan and why'
 */
export const bareQuestion = (text: string) =>
  text
    .toLowerCase()
    .replace(/^\s*(?:part|question)?\s*\d+\s*[.):]\s*/u, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
