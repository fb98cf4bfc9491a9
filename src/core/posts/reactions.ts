/** What a reader may say of a post by one press: that it is well said, and that they want to find it again. */
export const REACTION_KINDS = ['well-said', 'bookmark'] as const;
/** `well-said` is for everybody to see; a `bookmark` is its maker's alone. */
export type ReactionKind = (typeof REACTION_KINDS)[number];

/** How a post stands to one reader. */
export type Reactions = { wellSaid: number; saidByMe: boolean; bookmarked: boolean };
