import { createHash, randomBytes } from 'node:crypto';
import { exportJWK, generateKeyPair, SignJWT, type JWK } from 'jose';

/** Somebody as a college's directory knows them. */
type Listed = { subject: string; name: string; email: string; verified: boolean };

/** Three of the demo's people, and one who is in no course here. */
export const DIRECTORY: readonly Listed[] = [
  { subject: 'tw-1041', name: 'Imani Okoro', email: 'imani.okoro@tidewell.example', verified: true },
  { subject: 'tw-1077', name: 'Noor Vasquez', email: 'noor.vasquez@tidewell.example', verified: true },
  { subject: 'tw-0112', name: 'Dr. Maren Holt', email: 'maren.holt@tidewell.example', verified: true },
  { subject: 'tw-2203', name: 'Sunniva Hartley', email: 'sunniva.hartley@tidewell.example', verified: true },
];

type Code = { who: Listed; client: string; back: string; nonce: string; challenge: string; until: number };

const CODE_MS = 60_000;
const MOST_CODES = 1_000;
const KID = 'stand-in';
const ALGORITHM = 'RS256';

/** Answers of a token endpoint (RFC 6749, 5). */
type Given = { status: 200 | 400; body: object };
const no = (error: string): Given => ({ status: 400, body: { error } });

/**
 * A provider of OpenID Connect without a network, for the demo and the tests: code flow with PKCE. It asks for no password, and lets whoever
 * comes be anybody: it is for no college.
 */
export function standInProvider(issuer: string, now: () => number) {
  const codes = new Map<string, Code>();
  const pair = generateKeyPair(ALGORITHM);

  const take = (code: string): Code | null => {
    const found = codes.get(code);
    codes.delete(code);
    return found && found.until > now() ? found : null;
  };

  return {
    configuration: () => ({
      issuer,
      authorization_endpoint: `${issuer}/authorize`,
      token_endpoint: `${issuer}/token`,
      jwks_uri: `${issuer}/keys`,
      response_types_supported: ['code'],
      subject_types_supported: ['public'],
      id_token_signing_alg_values_supported: [ALGORITHM],
      code_challenge_methods_supported: ['S256'],
      token_endpoint_auth_methods_supported: ['none'],
    }),
    keys: async (): Promise<{ keys: JWK[] }> => ({
      keys: [{ ...(await exportJWK((await pair).publicKey)), kid: KID, alg: ALGORITHM, use: 'sig' }],
    }),
    /** Where a browser goes back to, once somebody was chosen; null where what was asked is not sound. */
    chosen: (asked: URLSearchParams, who: Listed | null): string | null => {
      const [back, challenge] = [asked.get('redirect_uri') ?? '', asked.get('code_challenge') ?? ''];
      if (!URL.canParse(back) || asked.get('response_type') !== 'code') return null;
      const to = new URL(back);
      to.searchParams.set('state', asked.get('state') ?? '');
      if (!who) {
        to.searchParams.set('error', 'access_denied');
        return to.href;
      }
      if (codes.size >= MOST_CODES) codes.clear();
      const code = randomBytes(16).toString('base64url');
      codes.set(code, {
        who,
        client: asked.get('client_id') ?? '',
        back,
        nonce: asked.get('nonce') ?? '',
        challenge,
        until: now() + CODE_MS,
      });
      to.searchParams.set('code', code);
      return to.href;
    },
    token: async (fields: URLSearchParams): Promise<Given> => {
      if (fields.get('grant_type') !== 'authorization_code') return no('unsupported_grant_type');
      const code = take(fields.get('code') ?? '');
      const shown = createHash('sha256')
        .update(fields.get('code_verifier') ?? '')
        .digest('base64url');
      if (!code || code.back !== fields.get('redirect_uri') || code.client !== fields.get('client_id'))
        return no('invalid_grant');
      if (code.challenge !== shown) return no('invalid_grant');
      const seconds = Math.floor(now() / 1_000);
      const { subject, name, email, verified } = code.who;
      const token = await new SignJWT({ name, email, email_verified: verified, nonce: code.nonce })
        .setProtectedHeader({ alg: ALGORITHM, kid: KID })
        .setIssuer(issuer)
        .setAudience(code.client)
        .setSubject(subject)
        .setIssuedAt(seconds)
        .setExpirationTime(seconds + 300)
        .sign((await pair).privateKey);
      return {
        status: 200,
        body: { access_token: randomBytes(16).toString('base64url'), token_type: 'Bearer', id_token: token },
      };
    },
  };
}
export type StandInProvider = ReturnType<typeof standInProvider>;
