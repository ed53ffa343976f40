import type { AcademySettings, Reach } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import type { User } from '../auth/sign-ins';
import type { Tenant } from '../db/tenant';
import type { Thinking } from '../thinking';

export interface Academy extends AcademySettings {
  readonly id: string;
  readonly name: string;
}

/** Who asks, for which academy, and when. */
export interface Context {
  readonly tenant: Tenant;
  readonly user: User;
  /** How far the right goes by which this is done. */
  readonly reach: Reach;
  /** Secret of the session, or '' when nobody asks over the network. */
  readonly token: string;
  readonly academy: Academy;
  readonly now: Date;
  /** The academy's own calendar day. */
  readonly today: IsoDate;
  /** Work to be done once what is being written has been kept: nothing that cannot be undone happens before. */
  readonly later: (work: () => Promise<unknown>) => void;
  /** Which program this is: what another one has computed may have come out otherwise. */
  readonly program: string;
  /** Where what takes long is worked out. */
  readonly think: Thinking;
  /** A new id for a row that no client made. */
  readonly newId: () => string;
}

/** The setting of work done for whoever asks, inside a transaction of its own. */
export const within = (ctx: Context, tenant: Tenant): Context => ({ ...ctx, tenant });
