import type {
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser';
import { z } from 'zod';
import { answersWith } from './endpoint';

/** What a browser is asked for, in the forms of Web Authentication Level 3. */
export type NewPasskey = PublicKeyCredentialCreationOptionsJSON;
export type PasskeyAsked = PublicKeyCredentialRequestOptionsJSON;

/** A number of bytes in the letters of an address, as much as any authenticator sends. */
const bytes = (most: number) =>
  z
    .string()
    .regex(/^[\w-]*={0,2}$/u)
    .max(most);
const credentialSchema = {
  id: bytes(1_400).min(1),
  rawId: bytes(1_400).min(1),
  type: z.literal('public-key'),
  authenticatorAttachment: z.enum(['cross-platform', 'platform']).optional(),
  // What an authenticator says beside is not looked at.
  clientExtensionResults: z.unknown().transform(() => ({})),
};

export const passkeyMadeSchema = z.object({
  ...credentialSchema,
  response: z.object({
    clientDataJSON: bytes(8_000),
    attestationObject: bytes(60_000),
    transports: z.array(z.string().max(20)).max(10).optional(),
  }),
});
export type PasskeyMade = z.output<typeof passkeyMadeSchema>;

export const passkeyAnswerSchema = z.object({
  ...credentialSchema,
  response: z.object({
    clientDataJSON: bytes(8_000),
    authenticatorData: bytes(8_000),
    signature: bytes(8_000),
    userHandle: bytes(200).optional(),
  }),
});
export type PasskeyAnswer = z.output<typeof passkeyAnswerSchema>;

type Denial = { code: 'wrong-password' | 'too-many-tries' | 'demo' | 'sign-in-again' };

/** To make a passkey: what is asked for, and then what was made. */
export const newPasskeyAsk = answersWith<{ options: NewPasskey }, Denial | { code: 'too-many' }>()(
  'POST',
  '/account/passkeys/ask',
  z.object({ password: z.string().max(1_000) }),
);
export const passkeyNameSchema = z.string().trim().min(1).max(100);
export const newPasskey = answersWith<object, { code: 'over' | 'not-taken' | 'there-already' }>()(
  'POST',
  '/account/passkeys',
  z.object({ name: passkeyNameSchema, response: passkeyMadeSchema }),
);

/** To sign in by one. */
export const passkeyAsk = answersWith<{ options: PasskeyAsked }>()(
  'POST',
  '/sign-in/passkey/ask',
  z.object({}),
);
export const passkeyEnter = answersWith<{ to: string }, { code: 'over' | 'not-taken' | 'too-many-tries' }>()(
  'POST',
  '/sign-in/passkey',
  z.object({ to: z.string().max(500), response: passkeyAnswerSchema }),
);

/** A passkey as its owner sees it. */
export type PasskeyLine = { id: string; name: string; made: number; used: number | null };
