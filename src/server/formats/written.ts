/** A text out of a word processor, on its way to a document. */
export type Written = {
  html: string;
  /** Its pictures by the address that `html` calls them by. */
  pictures: ReadonlyMap<string, Uint8Array>;
  /** What the file holds that does not come along, each with how often. */
  left: Partial<
    Record<'macros' | 'comments' | 'deleted' | 'outside' | 'objects' | 'unread-pictures', number>
  >;
};
