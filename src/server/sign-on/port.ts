/** What the college's sign-on says of somebody (OpenID Connect Core, 5.1). */
export type Claims = {
  issuer: string;
  /** Who they are there: it never changes, and is nobody else's. */
  subject: string;
  email: string | null;
  /** Whether the college has made sure that the address is theirs. */
  verified: boolean;
  name: string | null;
  zone: string | null;
};

/** What has to come back of a request, so that nobody can answer in another's place. */
export type Asked = { state: string; nonce: string; verifier: string };

/** A college's own sign-on: where a browser is sent, and what is made of its coming back. */
export type SignOn = {
  /** As the sign-in page calls it. */
  name: string;
  ask: (back: string) => Promise<{ address: string; asked: Asked }>;
  /** Null where the answer fits nothing that was asked, or says no. */
  answer: (came: URL, asked: Asked) => Promise<Claims | null>;
};
