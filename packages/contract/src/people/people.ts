/** People of the academy: invitations, roles, groups and the record of who did what. */
import type { IsoDate } from '@wrightonic/core';
import { ROLES } from '../access/access';
import type { Role } from '../access/access';
import { listOf, objectOf, oneOf, text, uuid } from '../schema/schema';

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
