import { z } from 'zod';
import { deviceNameSchema, makerNameSchema, newPasswordSchema, typedPasswordSchema } from '../maker/index.ts';

/** A code as it is typed; whether it is one is told by the server. */
const typedCode = z.string('A code is text.').max(100, 'That is no code.');
const device = deviceNameSchema;

/**
 * Who is in front of the screen, as far as the server can tell.
 *
 * - `open`: nobody has an account, and only this machine can ask: all belongs to the maker who sits here.
 * - `unclaimed`: others can ask, too, and nobody has an account yet: the first one is made with the terminal's code.
 * - `out`: there are accounts, and nobody is signed in.
 * - `in`: somebody is.
 */
export const sessionSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('open'), maker: z.uuid() }),
  z.object({ is: z.literal('unclaimed') }),
  z.object({ is: z.literal('out') }),
  z.object({
    is: z.literal('in'),
    maker: z.uuid(),
    name: z.string(),
    /** The account that the local maker became: what was left on this machine before there were any is its. */
    first: z.boolean(),
    /** This device. */
    device: z.uuid(),
    /** Known anew a moment ago: may do what a stranger at an open screen must not. */
    confirmed: z.boolean(),
  }),
]);
export type SessionNow = z.infer<typeof sessionSchema>;

/** What a password alone comes to: in, or a passkey is asked for, too. */
export const signedInSchema = z.discriminatedUnion('is', [
  ...sessionSchema.options,
  z.object({ is: z.literal('passkey') }),
]);

export const signInSchema = z.strictObject({
  name: z.string('A name is text.').max(400, 'That is no name.'),
  password: typedPasswordSchema,
  device,
});

export const recoverSchema = z.strictObject({
  name: z.string('A name is text.').max(400, 'That is no name.'),
  code: typedCode,
  device,
});

export const joinSchema = z.strictObject({ code: typedCode, device });

/** A new account: the local maker's, or another one by an invitation. */
export const makeAccountSchema = z.strictObject({
  name: makerNameSchema,
  password: newPasswordSchema,
  device,
  /** From the terminal, or from whoever invites. Needs none where only this machine can ask. */
  code: typedCode.optional(),
});

/** A passkey's answer: what it holds is looked into by a library of its own. */
export const passkeyAnswerSchema = z.strictObject({
  answer: z.record(z.string(), z.unknown()),
  device: device.optional(),
});

/** What a browser is asked to sign with a passkey, as WebAuthn has it. */
export const passkeyOptionsSchema = z.object({ options: z.looseObject({ challenge: z.string() }) });

/** What a browser is asked to make a passkey of. */
export const newPasskeyOptionsSchema = z.object({
  options: z.looseObject({
    challenge: z.string(),
    rp: z.object({ name: z.string(), id: z.string().exactOptional() }),
    user: z.object({ id: z.string(), name: z.string(), displayName: z.string() }),
    pubKeyCredParams: z.array(z.object({ type: z.literal('public-key'), alg: z.int() })),
  }),
});
