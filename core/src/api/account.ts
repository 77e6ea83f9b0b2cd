import { z } from 'zod';
import { deviceNameSchema, makerNameSchema, newPasswordSchema, typedPasswordSchema } from '../maker/index.ts';

const when = z.iso.datetime();

/** How a device came in. */
export const WAYS_IN = ['password', 'passkey', 'both', 'code', 'recovery', 'new'] as const;
export type WayIn = (typeof WAYS_IN)[number];

/** A device that is signed in. */
export const deviceSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  how: z.enum(WAYS_IN),
  since: when,
  seen: when,
  /** Signed out by itself at the latest. */
  until: when,
  /** The one that asks. */
  here: z.boolean(),
});
export type Device = z.infer<typeof deviceSchema>;

export const passkeySchema = z.object({
  id: z.string(),
  name: z.string(),
  since: when,
  used: when.nullable(),
  /** The name of the machine it works at. */
  host: z.string(),
});
export type Passkey = z.infer<typeof passkeySchema>;

/** An account as its maker sees it. */
export const accountSchema = z.object({
  name: z.string(),
  since: when,
  first: z.boolean(),
  password: z.boolean(),
  /** After the password a passkey is asked for, too. */
  both: z.boolean(),
  passkeys: z.array(passkeySchema),
  /** Recovery codes that are not used up. */
  codesLeft: z.int(),
  devices: z.array(deviceSchema),
});
export type Account = z.infer<typeof accountSchema>;

export const renameSchema = z.strictObject({ name: makerNameSchema });
export const renameDeviceSchema = z.strictObject({ name: deviceNameSchema });
export const confirmSchema = z.strictObject({ password: typedPasswordSchema });
export const changePasswordSchema = z.strictObject({
  /** Nothing: from now on only passkeys let in. */
  password: newPasswordSchema.nullable(),
  /** Sign out everywhere else. */
  others: z.boolean(),
});
export const bothSchema = z.strictObject({ both: z.boolean() });
export const recoveryCodesSchema = z.object({ codes: z.array(z.string()) });

/** A code that lets in once, and what is left of its time. */
export const letInSchema = z.object({
  id: z.uuid(),
  code: z.string(),
  /** By the database's clock, s: nobody's own clock matters. */
  seconds: z.number(),
});
export type LetIn = z.infer<typeof letInSchema>;

/** What became of such a code. */
export const letInStateSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('waiting'), seconds: z.number() }),
  z.object({ is: z.literal('used'), device: z.string() }),
  z.object({ is: z.literal('over') }),
]);

/** A message that would be mailed, were there anyone to carry it. */
export const messageSchema = z.object({ at: when, title: z.string(), text: z.string() });
export type Message = z.infer<typeof messageSchema>;
export const outboxSchema = z.object({ messages: z.array(messageSchema) });

/** How other devices reach this server. */
export const networkSchema = z.object({
  /** Addresses that other devices on the network open; none where only this machine can ask. */
  addresses: z.array(z.url()),
  /** Where the page is on which a device is shown how to trust this machine; only with an authority of its own. */
  trust: z.array(z.url()),
  /** Fingerprint of that authority, to be compared. */
  fingerprint: z.string().optional(),
  tls: z.enum(['own', 'given', 'proxy', 'none']),
});
export type Network = z.infer<typeof networkSchema>;
