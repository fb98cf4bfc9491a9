/** What of a mail's head is its own. */
export type MailHeaders = {
  /** What it is called, with the angles: the same at every try. */
  messageId: string;
  /** The names of mails it stands under in its thread, the first first. */
  references: readonly string[];
  /** What it belongs to (RFC 2919). */
  list: { id: string; name: string } | null;
  /** Where one press says that its kind is wanted no more (RFC 8058). */
  less: string | null;
  /** Where an answer goes; null where none is taken. */
  replyTo: string | null;
  /** Where it comes back to if it cannot be delivered; null for where it is from. */
  returnTo: string | null;
};

/** A mail as it leaves: its text is made at that moment. */
export type Outgoing = {
  /** Its own name, the same at every try, so that nobody keeps two of one. */
  id: string;
  to: { name: string; address: string };
  subject: string;
  text: string;
  html: string | null;
  headers: MailHeaders | null;
  date: Date;
};

/**
 * Where mail leaves. What cannot be handed over is an error, and is tried again later; where it is refused for good (RFC 5321, 4.2.1: a
 * reply that begins with 5), a `Refused`.
 */
export type MailPort = { send: (mail: Outgoing) => Promise<void> };

/** The receiver's server will not have it, today or later. */
export class Refused extends Error {
  override name = 'Refused';
}
