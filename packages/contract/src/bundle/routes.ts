/** Records as files: bundles that can be taken in again, and tables for a spreadsheet. */
import { answers, ATHLETE, get, post } from '../route/route';
import type { Download } from '../route/route';
import { academyCsvSchema, athleteCsvSchema, BUNDLE_KB, bundleQuerySchema } from './bundle';
import type { BundleTaken } from './bundle';

const CSV = answers<Download>('text/csv');
const BUNDLE = answers<Download>('application/json');

export const bundleRoutes = {
  academyBundle: get('/bundle', 'exportAcademy', 'The whole academy as one bundle', BUNDLE, {
    query: bundleQuerySchema,
    bytes: 'out',
  }),
  takeBundle: post('/bundle', 'exportAcademy', 'Take a bundle in', answers<BundleTaken>('BundleTaken'), {
    bytes: 'in',
    limitKb: BUNDLE_KB,
    renews: ['Me', 'Roster', 'Today', 'People', 'Groups', 'Guns', 'Library'],
  }),
  academyCsv: get('/csv', 'exportAcademy', 'A table of the academy as CSV', CSV, { query: academyCsvSchema, bytes: 'out' }),
  athleteBundle: get(`${ATHLETE}/bundle`, 'takeBundles', 'One athlete as a bundle', BUNDLE, {
    query: bundleQuerySchema,
    bytes: 'out',
  }),
  athleteCsv: get(`${ATHLETE}/csv`, 'takeBundles', 'One athlete’s rows of a table as CSV', CSV, {
    query: athleteCsvSchema,
    bytes: 'out',
  }),
};
