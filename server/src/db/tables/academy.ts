/** The academy, its people and what they may reach. */
import type {
  AcademySettings,
  DeviceMessage,
  Gun,
  NewOwnDrill,
  OwnFindingRecord,
  OwnLadderRecord,
  Role,
} from '@wrightonic/contract';
import type { OwnDrill, OwnWords } from '@wrightonic/core';
import type { Flag, Kept, OfAcademy } from './column';

export interface AcademyDbRow extends Kept {
  name: string;
  speed_unit: AcademySettings['speedUnit'];
  length_unit: AcademySettings['lengthUnit'];
  time_zone: string;
  league_daily_limit: number | null;
  league: AcademySettings['league'];
  league_ages: AcademySettings['leagueAges'];
  schools: AcademySettings['schools'];
  words: AcademySettings['words'];
  weighted_balls: Flag;
  numbers: AcademySettings['numbers'];
}

export interface UserDbRow extends Kept, OfAcademy {
  role: Role;
  name: string;
  sign_in: string;
  password_hash: string;
  last_seen_at: Date | null;
}

export interface UserAthleteDbRow extends OfAcademy {
  user_id: string;
  athlete_id: string;
}

export interface UserGroupDbRow extends OfAcademy {
  user_id: string;
  group_id: string;
}

export interface GroupDbRow extends Kept, OfAcademy {
  name: string;
}

export interface GroupMemberDbRow extends OfAcademy {
  group_id: string;
  athlete_id: string;
}

/** Reached by the person's id: a session knows no academy. */
export interface SignInDbRow {
  token_hash: string;
  user_id: string;
  expires_at: Date;
}

export interface SignInTryDbRow {
  key_hash: string;
  failures: number;
  last_at: Date;
  closed_until: Date | null;
}

export interface KnownDeviceDbRow {
  token_hash: string;
  user_id: string;
  seen_at: Date;
}

export interface InvitationDbRow extends Kept, OfAcademy {
  token_hash: string;
  role: Role;
  name: string;
  athletes: readonly string[];
  groups: readonly string[];
  user_id: string | null;
  invited_by: string;
  expires_at: Date;
  used_at: Date | null;
  taken_back_at: Date | null;
}

export interface AuditDbRow extends OfAcademy {
  id: string;
  athlete_id: string | null;
  user_id: string | null;
  who: string;
  role: Role;
  did: string;
  once: string | null;
  at: Date;
}

export interface ImportDbRow extends Kept, OfAcademy {
  file_name: string;
  author: string;
  athletes: number;
}

interface Version extends Kept, OfAcademy {
  version: number;
  author_id: string | null;
}

export interface OwnDrillDbRow extends Version {
  drill: string;
  use_as: OwnDrill['use'];
  words: OwnWords;
  /** What a copy changes; null for a drill of the catalogue. */
  fields: NonNullable<NewOwnDrill['fields']> | null;
}

export interface OwnLadderDbRow extends Version {
  finding: OwnLadderRecord['finding'];
  discipline: OwnLadderRecord['discipline'];
  rungs: OwnLadderRecord['rungs'];
}

export interface OwnFindingDbRow extends Version {
  finding: OwnFindingRecord['finding'];
  words: OwnFindingRecord['words'];
}

export interface LinkDbRow extends Kept, OfAcademy {
  athlete_id: string | null;
  user_id: string;
  kind: 'sheet' | 'camp' | 'calendar';
  what: object;
  key_hash: string;
  expires_at: Date | null;
  revoked_at: Date | null;
  views: number;
  viewed_at: Date | null;
}

export interface GunDbRow extends OfAcademy {
  id: string;
  name: string;
  place: Gun['place'];
  side_deg: number;
  up_deg: number;
  unit: Gun['unit'];
  offset_by: number | null;
  retired: Flag;
}

export interface ChannelDbRow extends OfAcademy {
  id: string;
  key_hash: string;
  expires_at: Date;
}

/** Reached by the channel's id. */
export interface MessageDbRow {
  seq: number;
  channel_id: string;
  message: DeviceMessage;
  created_at: Date;
}
