import type { IsoDate } from '@wrightonic/core';
import type { Role } from '../access/access';
import type { NamedId } from '../people/people';
import type { AcademySettings } from '../settings/settings';

/** Who is signed in, and where. */
export interface Me {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly signIn: string;
  /** The athlete themselves, or a guardian's children. */
  readonly athletes: readonly NamedId[];
  readonly academy: { readonly name: string; readonly today: IsoDate } & AcademySettings;
}
