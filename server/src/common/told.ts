import { may } from '@wrightonic/contract';
import { withoutCauses } from '@wrightonic/core';
import type { PlanSession } from '@wrightonic/core';
import type { Context } from './context';

/** A session as whoever asks is told it: why each drill is there is the coach’s to know. */
export const sessionFor = (ctx: Context, session: PlanSession): PlanSession =>
  may(ctx.user.role, 'changePlan') ? session : withoutCauses(session);
