/** A mail as it leaves: its text is made at that moment. */
export type Outgoing = {
  /** Its own name, the same at every try, so that nobody keeps two of one. */
  id: string;
  to: { name: string; address: string };
  subject: string;
  text: string;
  date: Date;
};

/** Where mail leaves. What cannot be handed over is an error, and is tried again later. */
export type MailPort = { send: (mail: Outgoing) => Promise<void> };
