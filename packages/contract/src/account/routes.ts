/** Signing in, and what is one's own: the account, and for an owner the academy's settings. */
import { answers, ask, get, NOTHING, post, put, SMALL_KB } from '../route/route';
import { academySettingsSchema } from '../settings/settings';
import { invitationTokenSchema, joiningSchema, passwordChangeSchema, signInSchema } from './account';
import type { InvitationFace } from './account';
import type { Me } from './me';

const ME = answers<Me>('Me');

export const accountRoutes = {
  signIn: post('/sign-in', null, 'Sign in; sets the session cookie', ME, { limitKb: SMALL_KB, body: signInSchema }),
  signOut: post('/sign-out', null, 'End the session', NOTHING),
  lookAtInvitation: ask('/join/look', null, 'What an invitation is for', answers<InvitationFace>('InvitationFace'), {
    limitKb: SMALL_KB,
    body: invitationTokenSchema,
  }),
  join: post('/join', null, 'Take up an invitation; sets the session cookie', ME, { limitKb: SMALL_KB, body: joiningSchema }),
  me: get('/me', 'account', 'Who is signed in, and the academy', ME, { shows: 'Me' }),
  changePassword: post('/account/password', 'account', 'Change one’s password; ends all other sessions', ME, {
    body: passwordChangeSchema,
  }),
  signOutEverywhere: post('/account/sign-out-everywhere', 'account', 'End all other sessions of this account', ME),
  settings: put('/academy/settings', 'changeSettings', 'Change the academy’s settings', ME, {
    body: academySettingsSchema,
    renews: ['Me', 'Athlete', 'Progress', 'Diagnosis', 'Body', 'Audit'],
  }),
};
