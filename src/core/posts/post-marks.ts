/** What a reader may say of a post by one press: that it is well said, and that they want to find it again. */
export const MARK_KINDS = ['well-said', 'bookmark'] as const;
/** `well-said` is for everybody to see; a `bookmark` is its maker's alone. */
export type MarkKind = (typeof MARK_KINDS)[number];

/** How a post stands to one reader. */
export type PostMarks = { wellSaid: number; saidByMe: boolean; bookmarked: boolean };
