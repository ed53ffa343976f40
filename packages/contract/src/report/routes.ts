/** Sheets, papers, links for the family, calendars. */
import { answers, ask, ATHLETE, get, post, put, remove, SMALL_KB } from '../route/route';
import type { Download } from '../route/route';
import {
  linkTokenSchema,
  newCalendarSchema,
  newCampLinksSchema,
  newLinkSchema,
  paperQuerySchema,
  sheetQuerySchema,
} from './report';
import type { CalendarMade, CalendarRow, CampLink, LinkMade, LinkRow, ReportSheet, Shared } from './report';

const PDF = answers<Download>('application/pdf');

export const reportRoutes = {
  sheet: get(`${ATHLETE}/sheet`, 'seeProgress', 'Two dates side by side', answers<ReportSheet>('ReportSheet'), {
    query: sheetQuerySchema,
    shows: 'Progress',
  }),
  sheetPdf: get(`${ATHLETE}/sheet/pdf`, 'seeProgress', 'Two dates side by side, on paper', PDF, {
    query: sheetQuerySchema,
    bytes: 'out',
  }),
  paper: get(`${ATHLETE}/paper`, 'seeProgress', 'The athlete’s sheet, or the plan as a booklet', PDF, {
    query: paperQuerySchema,
    bytes: 'out',
  }),
  links: get(`${ATHLETE}/links`, 'share', 'Links that were made for the family', answers<LinkRow[]>('LinkRow[]'), {
    shows: 'Links',
  }),
  putLink: put(`${ATHLETE}/links/:id`, 'share', 'Make a link to a sheet', answers<LinkMade>('LinkMade'), {
    body: newLinkSchema,
    renews: ['Links'],
  }),
  dropLink: remove(`${ATHLETE}/links/:id`, 'share', 'Close a link at once', answers<LinkRow[]>('LinkRow[]'), {
    answersAs: 'links',
    evenArchived: true,
    renews: ['Links'],
  }),
  campLinks: post(
    '/camps/:id/links',
    'share',
    'Make a link to their report for each athlete',
    answers<CampLink[]>('CampLink[]'),
    {
      body: newCampLinksSchema,
      renews: ['Links'],
    },
  ),
  lookAtShared: ask('/shared/look', null, 'What stands behind a link', answers<Shared>('Shared'), {
    limitKb: SMALL_KB,
    body: linkTokenSchema,
  }),
  sharedPdf: post('/shared/pdf', null, 'What stands behind a link, on paper', PDF, {
    limitKb: SMALL_KB,
    body: linkTokenSchema,
    bytes: 'out',
  }),
  calendars: get('/calendars', 'account', 'Calendars that one has made', answers<CalendarRow[]>('CalendarRow[]'), {
    shows: 'Calendars',
  }),
  putCalendar: put('/calendars/:id', 'account', 'Make a calendar to subscribe to', answers<CalendarMade>('CalendarMade'), {
    body: newCalendarSchema,
    renews: ['Calendars'],
  }),
  dropCalendar: remove('/calendars/:id', 'account', 'Close a calendar at once', answers<CalendarRow[]>('CalendarRow[]'), {
    answersAs: 'calendars',
    renews: ['Calendars'],
  }),
  calendarFile: get('/feeds/:secret', null, 'A calendar, as calendar programs read it', answers<Download>('text/calendar'), {
    bytes: 'out',
  }),
};
