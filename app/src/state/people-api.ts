import type {
  AcademySettings,
  AthleteExport,
  AthleteOverview,
  AuditPage,
  AuditQuery,
  ErasePreview,
  GroupRecord,
  GroupRow,
  ImportLook,
  ImportRow,
  UndoImportQuery,
  IntakeAnswer,
  IntakeRecord,
  InvitationFace,
  InvitationLink,
  Joining,
  Me,
  NewConsent,
  NewInvitation,
  PasswordChange,
  People,
  PersonChange,
  RosterImport,
} from '@wrightonic/contract';
import { api, athletePath } from './api';
import type { ForAthlete, Put } from './api';

interface WithId<T> {
  readonly id: string;
  readonly body: T;
}

/** Endpoints about people: account, invitations, groups, lists, intake, and what becomes of a record. */
export const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    lookAtInvitation: build.query<InvitationFace, string>({
      query: (token) => ({ url: '/join/look', method: 'POST', body: { token } }),
    }),
    join: build.mutation<Me, Joining>({ query: (body) => ({ url: '/join', method: 'POST', body }) }),
    changePassword: build.mutation<Me, PasswordChange>({
      query: (body) => ({ url: '/account/password', method: 'POST', body }),
    }),
    signOutEverywhere: build.mutation<Me, void>({ query: () => ({ url: '/account/sign-out-everywhere', method: 'POST' }) }),
    saveSettings: build.mutation<Me, AcademySettings>({
      query: (body) => ({ url: '/academy/settings', method: 'PUT', body }),
      invalidatesTags: ['Me', 'Athlete', 'Progress', 'Diagnosis', 'Body', 'Audit'],
    }),
    people: build.query<People, void>({ query: () => '/people', providesTags: ['People'] }),
    changePerson: build.mutation<People, WithId<PersonChange>>({
      query: ({ id, body }) => ({ url: `/people/${id}`, method: 'PUT', body }),
      invalidatesTags: ['People', 'Audit'],
    }),
    removePerson: build.mutation<People, string>({
      query: (id) => ({ url: `/people/${id}`, method: 'DELETE' }),
      invalidatesTags: ['People', 'Audit'],
    }),
    newPasswordLink: build.mutation<InvitationLink, string>({
      query: (id) => ({ url: `/people/${id}/password-link`, method: 'POST' }),
      invalidatesTags: ['People', 'Audit'],
    }),
    putInvitation: build.mutation<InvitationLink, WithId<NewInvitation>>({
      query: ({ id, body }) => ({ url: `/invitations/${id}`, method: 'PUT', body }),
      invalidatesTags: ['People', 'Audit'],
    }),
    dropInvitation: build.mutation<People, string>({
      query: (id) => ({ url: `/invitations/${id}`, method: 'DELETE' }),
      invalidatesTags: ['People', 'Audit'],
    }),
    audit: build.infiniteQuery<AuditPage, Omit<AuditQuery, 'before'>, string | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: (page) => (page.more ? page.entries[page.entries.length - 1]?.id : undefined),
      },
      query: ({ queryArg, pageParam }) => ({ url: '/audit', params: { ...queryArg, before: pageParam } }),
      providesTags: ['Audit'],
    }),
    groups: build.query<GroupRow[], void>({ query: () => '/groups', providesTags: ['Groups'] }),
    putGroup: build.mutation<GroupRow[], WithId<GroupRecord>>({
      query: ({ id, body }) => ({ url: `/groups/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Groups', 'Roster'],
    }),
    dropGroup: build.mutation<GroupRow[], string>({
      query: (id) => ({ url: `/groups/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Groups', 'Roster', 'People'],
    }),
    lookAtImport: build.mutation<ImportLook, RosterImport>({
      query: (body) => ({ url: '/imports/look', method: 'POST', body }),
    }),
    imports: build.query<ImportRow[], void>({ query: () => '/imports', providesTags: ['Imports'] }),
    putImport: build.mutation<ImportLook, WithId<RosterImport>>({
      query: ({ id, body }) => ({ url: `/imports/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Imports', 'Roster', 'Groups', 'Today'],
    }),
    undoImport: build.mutation<ImportRow[], UndoImportQuery & { readonly id: string }>({
      query: ({ id, ...params }) => ({ url: `/imports/${id}`, method: 'DELETE', params }),
      invalidatesTags: ['Imports', 'Roster', 'Groups', 'Today'],
    }),
    intake: build.query<IntakeAnswer, string>({ query: (id) => `${athletePath(id)}/intake`, providesTags: ['Intake'] }),
    putIntake: build.mutation<IntakeAnswer, ForAthlete & { body: IntakeRecord }>({
      query: ({ athlete, body }) => ({ url: `${athletePath(athlete)}/intake`, method: 'PUT', body }),
      async onQueryStarted({ athlete }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled;
        void dispatch(peopleApi.util.upsertQueryData('intake', athlete, data));
      },
      invalidatesTags: ['Athlete', 'Roster', 'Today', 'Diagnosis'],
    }),
    putConsent: build.mutation<IntakeAnswer, Put<NewConsent>>({
      query: ({ athlete, id, body }) => ({ url: `${athletePath(athlete)}/consents/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Intake', 'Athlete'],
    }),
    archive: build.mutation<AthleteOverview, ForAthlete & { archived: boolean }>({
      query: ({ athlete, archived }) => ({ url: `${athletePath(athlete)}/archive`, method: 'POST', body: { archived } }),
      invalidatesTags: ['Athlete', 'Roster', 'Today'],
    }),
    exportAthlete: build.mutation<AthleteExport, string>({ query: (id) => `${athletePath(id)}/export` }),
    erasePreview: build.query<ErasePreview, string>({ query: (id) => `${athletePath(id)}/erase` }),
    eraseAthlete: build.mutation<null, ForAthlete & { name: string }>({
      query: ({ athlete, name }) => ({ url: `${athletePath(athlete)}/erase`, method: 'POST', body: { name } }),
      invalidatesTags: ['Roster', 'Today', 'People', 'Groups'],
    }),
  }),
});
