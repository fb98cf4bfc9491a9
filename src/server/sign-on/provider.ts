import * as oidc from 'openid-client';
import type { SignOn } from './port';

export type SignOnConfig = { issuer: string; client: string; secret: string | null; name: string };

/** A sign-on that takes longer is as good as none. */
const SECONDS = 10;
const SCOPE = 'openid email profile';

const isLoopback = (address: string) =>
  /^(localhost|127(?:\.\d{1,3}){3}|\[::1\])$/u.test(new URL(address).hostname);

const text = (value: unknown): string | null => (typeof value === 'string' && value !== '' ? value : null);

/**
 * A provider of OpenID Connect: code flow with PKCE, state and nonce. What it says of itself is asked for when the first person comes, and
 * again where that failed.
 */
export function signOnBy({ issuer, client, secret, name }: SignOnConfig): SignOn {
  let known: Promise<oidc.Configuration> | null = null;
  const find = () =>
    (known ??= oidc
      .discovery(
        new URL(issuer),
        client,
        undefined,
        secret === null ? oidc.None() : oidc.ClientSecretBasic(secret),
        {
          timeout: SECONDS,
          // Only on this machine does anybody sign on without TLS.
          execute: isLoopback(issuer) ? [oidc.allowInsecureRequests] : [],
        },
      )
      .catch((error: unknown) => {
        known = null;
        throw error;
      }));
  return {
    name,
    ask: async (back) => {
      const [state, nonce, verifier] = [
        oidc.randomState(),
        oidc.randomNonce(),
        oidc.randomPKCECodeVerifier(),
      ];
      const address = oidc.buildAuthorizationUrl(await find(), {
        redirect_uri: back,
        scope: SCOPE,
        state,
        nonce,
        code_challenge: await oidc.calculatePKCECodeChallenge(verifier),
        code_challenge_method: 'S256',
      });
      return { address: address.href, asked: { state, nonce, verifier } };
    },
    answer: async (came, { state, nonce, verifier }) => {
      try {
        const tokens = await oidc.authorizationCodeGrant(await find(), came, {
          expectedState: state,
          expectedNonce: nonce,
          pkceCodeVerifier: verifier,
          idTokenExpected: true,
        });
        const said = tokens.claims();
        if (!said) return null;
        return {
          issuer: said.iss,
          subject: said.sub,
          email: text(said.email),
          verified: said.email_verified === true,
          name: text(said.name),
          zone: text(said.zoneinfo),
        };
      } catch (error) {
        if (error instanceof oidc.ResponseBodyError || error instanceof oidc.AuthorizationResponseError)
          return null;
        if (error instanceof oidc.ClientError) return null;
        throw error;
      }
    },
  };
}
