/** A course's code, and perhaps its name after it, as a page or a syllabus writes it. */
export const COURSE = /\b(\p{Lu}{2,5}[ -]?\d{2,4}\p{Lu}?)\b(?:\s*[:·–—-]?\s*(\p{Lu}[^|›»/>\n]{2,60}))?/u;
