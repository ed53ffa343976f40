/** Signing in, and taking up an invitation. */
import Joi from 'joi';
import type { Role } from '../access/access';
import { objectOf, text } from '../schema/schema';

export interface SignIn {
  readonly signIn: string;
  readonly password: string;
}
const password = () => Joi.string().min(1).max(200).required();
export const signInSchema = objectOf<SignIn>({ signIn: text(120).required(), password: password() });

/** Shortest password that is taken. */
export const PASSWORD_LENGTH = 10;
const newPassword = () =>
  Joi.string()
    .min(PASSWORD_LENGTH)
    .max(200)
    .required()
    .messages({ 'string.min': `{{#label}} must have at least ${PASSWORD_LENGTH} letters; a few words in a row are good` });

export interface PasswordChange {
  readonly current: string;
  readonly next: string;
}
export const passwordChangeSchema = objectOf<PasswordChange>({ current: password(), next: newPassword() });

/** The link's secret, from the part of the address that is never sent by itself. */
export interface InvitationToken {
  readonly token: string;
}
const token = () =>
  Joi.string()
    .pattern(/^[A-Za-z0-9_-]{43}$/)
    .required()
    .messages({ 'string.pattern.base': '{{#label}} is not the link of an invitation; copy the whole link' });
export const invitationTokenSchema = objectOf<InvitationToken>({ token: token() });

export interface Joining extends InvitationToken {
  readonly name: string;
  readonly signIn: string;
  readonly password: string;
}
export const joiningSchema = objectOf<Joining>({
  token: token(),
  name: text(120).required(),
  signIn: Joi.string()
    .trim()
    .lowercase()
    .prefs({ convert: true })
    .pattern(/^[a-z0-9][a-z0-9._@-]{2,119}$/)
    .required()
    .messages({
      'string.pattern.base':
        '{{#label}} must have 3 to 120 small letters, digits, dots, hyphens, underscores or @, and start with a letter or digit',
    }),
  password: newPassword(),
});

/** What an invitation's link says before it is taken up. */
export interface InvitationFace {
  readonly academy: string;
  readonly role: Role;
  readonly name: string;
  readonly athletes: readonly string[];
  readonly expiresAt: string;
  /** A new password for an account that is there. */
  readonly forSignIn: string | null;
}
