/** Which English somebody writes, as a language tag (BCP 47). */
export const SPELLINGS = ['en-GB', 'en-US'] as const;
export type Spelling = (typeof SPELLINGS)[number];
