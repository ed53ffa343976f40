/** People of the academy: account, invitations, roles, groups and the record of who did what. */
import type { IsoDate } from '@wrightonic/core';
import Joi from 'joi';
import { ROLES } from './access';
import type { Role } from './access';
import { listOf, objectOf, oneOf, text, uuid } from './schema';

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

export interface NewInvitation {
  readonly role: Role;
  /** Whom it is for, as the inviter calls them. */
  readonly name: string;
  /** The athlete themselves, or a guardian's children. */
  readonly athletes: readonly string[];
  /** Groups of a station coach. */
  readonly groups: readonly string[];
}
export const newInvitationSchema = objectOf<NewInvitation>({
  role: oneOf(ROLES).required(),
  name: text(120).required(),
  athletes: listOf(uuid(), 20).unique().required(),
  groups: listOf(uuid(), 50).unique().required(),
});

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

export interface PersonChange {
  readonly role: Role;
  readonly groups: readonly string[];
  readonly athletes: readonly string[];
}
export const personChangeSchema = objectOf<PersonChange>({
  role: oneOf(ROLES).required(),
  groups: listOf(uuid(), 50).unique().required(),
  athletes: listOf(uuid(), 20).unique().required(),
});

export interface GroupRecord {
  readonly name: string;
  readonly athletes: readonly string[];
}
export const groupSchema = objectOf<GroupRecord>({
  name: text(80).required(),
  athletes: listOf(uuid(), 500).unique().required(),
});

export interface AuditQuery {
  readonly athlete?: string;
  /** Entries older than this one, by id. */
  readonly before?: string;
}
export const auditQuerySchema = objectOf<AuditQuery>({ athlete: uuid(), before: uuid() });

// ---- answers --------------------------------------------------------------------------------------------------------------

export interface NamedId {
  readonly id: string;
  readonly name: string;
}

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

/** An invitation just made: its secret is shown this once. */
export interface InvitationLink {
  readonly id: string;
  readonly token: string;
  readonly expiresAt: string;
}

export interface InvitationRow {
  readonly id: string;
  readonly role: Role;
  readonly name: string;
  readonly by: string;
  readonly expiresAt: string;
  readonly state: 'open' | 'used' | 'expired' | 'taken-back';
}

export interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly signIn: string;
  readonly athletes: readonly NamedId[];
  readonly groups: readonly NamedId[];
  readonly lastSeen: string | null;
}

export interface People {
  readonly people: readonly PersonRow[];
  readonly invitations: readonly InvitationRow[];
}

export interface GroupRow extends NamedId {
  readonly athletes: readonly NamedId[];
}

export interface AuditEntry {
  readonly id: string;
  readonly at: string;
  readonly on: IsoDate;
  readonly who: string;
  readonly role: Role;
  /** What was done, as a sentence without its subject. */
  readonly did: string;
  readonly athlete: NamedId | null;
}

export interface AuditPage {
  readonly entries: readonly AuditEntry[];
  readonly more: boolean;
}
