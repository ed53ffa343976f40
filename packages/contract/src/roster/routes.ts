/** The day, the roster, and lists that come in. */
import { answers, get, LIST_KB, post, put, remove } from '../route/route';
import { rosterImportSchema, undoImportQuerySchema } from './imports';
import type { ImportLook, ImportRow } from './imports';
import { rosterQuerySchema } from './roster';
import type { RosterPage } from './roster';
import type { TodayList } from './today';
import { weekQuerySchema } from './week';
import type { CoachWeek } from './week';

const LOOK = answers<ImportLook>('ImportLook');
const IMPORTS = answers<readonly ImportRow[]>('ImportRow[]');

export const rosterRoutes = {
  today: get('/today', 'seeToday', 'Today’s lessons and what needs the coach', answers<TodayList>('TodayList'), {
    shows: 'Today',
  }),
  week: get('/week', 'seeToday', 'A coach’s week, of all or of a group', answers<CoachWeek>('CoachWeek'), {
    query: weekQuerySchema,
    shows: 'Today',
  }),
  athletes: get('/athletes', 'seeRoster', 'One page of the roster', answers<RosterPage>('RosterPage'), {
    query: rosterQuerySchema,
    shows: 'Roster',
  }),
  lookAtImport: post('/imports/look', 'importAthletes', 'Read a list and say what would come in; nothing is kept', LOOK, {
    limitKb: LIST_KB,
    body: rosterImportSchema,
  }),
  imports: get('/imports', 'importAthletes', 'Lists brought in', IMPORTS, { shows: 'Imports' }),
  putImport: put('/imports/:id', 'importAthletes', 'Bring the good rows of a list in', LOOK, {
    limitKb: LIST_KB,
    body: rosterImportSchema,
    renews: ['Imports', 'Roster', 'Groups', 'Today'],
  }),
  undoImport: remove('/imports/:id', 'importAthletes', 'Take a whole import back', IMPORTS, {
    query: undoImportQuerySchema,
    renews: ['Imports', 'Roster', 'Groups', 'Today'],
  }),
};
