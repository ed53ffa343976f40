/** The people of the academy, their groups, and who did what. */
import { answers, get, post, put, remove } from '../route/route';
import { auditQuerySchema, groupSchema, newInvitationSchema, personChangeSchema } from './people';
import type { AuditPage, GroupRow, InvitationLink, People } from './people';

const PEOPLE = answers<People>('People');
const LINK = answers<InvitationLink>('InvitationLink');
const GROUPS = answers<readonly GroupRow[]>('GroupRow[]');

export const peopleRoutes = {
  people: get('/people', 'seePeople', 'People and open invitations', PEOPLE, { shows: 'People' }),
  changePerson: put('/people/:id', 'changePeople', 'Change somebody’s role, groups or athletes', PEOPLE, {
    body: personChangeSchema,
    renews: ['People', 'Audit'],
  }),
  removePerson: remove('/people/:id', 'changePeople', 'Take somebody’s sign-in away', PEOPLE, { renews: ['People', 'Audit'] }),
  newPasswordLink: post('/people/:id/password-link', 'changePeople', 'A link by which somebody sets a new password', LINK, {
    renews: ['People', 'Audit'],
  }),
  putInvitation: put('/invitations/:id', 'invite', 'Invite somebody; the link works once', LINK, {
    body: newInvitationSchema,
    renews: ['People', 'Audit'],
  }),
  dropInvitation: remove('/invitations/:id', 'invite', 'Take an invitation back', PEOPLE, { renews: ['People', 'Audit'] }),
  audit: get('/audit', 'seeAudit', 'Who did what, newest first', answers<AuditPage>('AuditPage'), {
    query: auditQuerySchema,
    shows: 'Audit',
  }),
  groups: get('/groups', 'seeRoster', 'The groups', GROUPS, { shows: 'Groups' }),
  putGroup: put('/groups/:id', 'changeGroups', 'Make or change a group', GROUPS, {
    body: groupSchema,
    renews: ['Groups', 'Roster'],
  }),
  dropGroup: remove('/groups/:id', 'changeGroups', 'Dissolve a group; its athletes stay', GROUPS, {
    renews: ['Groups', 'Roster', 'People'],
  }),
};
