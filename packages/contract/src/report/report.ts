/** What is handed to people: sheets of two dates, links to them, and calendars to subscribe to. */
import type { CourseState, Discipline, IsoDate, LengthUnit, Sheet } from '@wrightonic/core';
import Joi from 'joi';
import { isoDate, objectOf, oneOf, text } from '../schema/schema';

export interface SheetQuery {
  readonly from: IsoDate;
  readonly to: IsoDate;
}
export const sheetQuerySchema = objectOf<SheetQuery>({ from: isoDate().required(), to: isoDate().required() });

/** A sheet with whose it is and what comes next, in the words of athlete and family. */
export interface ReportSheet {
  readonly academy: string;
  readonly athlete: string;
  readonly discipline: Discipline;
  readonly lengthUnit: LengthUnit;
  readonly sheet: Sheet;
  /** What is worked on, and where it stands. */
  readonly focus: readonly { readonly says: string; readonly state: CourseState | null; readonly rung: number }[];
  /** What comes next, at most three. */
  readonly next: readonly string[];
  /** Pictures of the two days, data URLs of JPEGs; empty without consent to film, or where none were chosen. */
  readonly pictures: readonly SheetPicture[];
}
export interface SheetPicture {
  readonly on: IsoDate;
  readonly of: string;
  readonly url: string;
}

/** Days for which a link may be open, and how long it is when nothing is said. */
export const LINK_DAYS = { most: 90, usual: 14 } as const;
const PICTURE_MOST = 200_000;

export interface NewLink extends SheetQuery {
  readonly days: number;
  /** Frames that were chosen to go along. */
  readonly pictures: readonly SheetPicture[];
}
export const newLinkSchema = objectOf<NewLink>({
  from: isoDate().required(),
  to: isoDate().required(),
  days: Joi.number().integer().min(1).max(LINK_DAYS.most).required(),
  pictures: Joi.array()
    .max(4)
    .items(
      objectOf<SheetPicture>({
        on: isoDate().required(),
        of: text(60).required(),
        url: Joi.string()
          .max(PICTURE_MOST)
          .pattern(/^data:image\/jpeg;base64,[A-Za-z0-9+/]+=*$/)
          .required(),
      }),
    )
    .required(),
});

export interface LinkRow {
  readonly id: string;
  readonly from: IsoDate;
  readonly to: IsoDate;
  readonly by: string;
  readonly expiresAt: string;
  readonly state: 'open' | 'expired' | 'revoked';
  readonly views: number;
  readonly viewedAt: string | null;
}
/** The secret is told once, when the link is made. */
export interface LinkMade {
  readonly token: string;
  readonly links: readonly LinkRow[];
}

export interface LinkToken {
  readonly token: string;
}
export const linkTokenSchema = objectOf<LinkToken>({ token: text(80).required() });

/** A calendar to subscribe to: one’s own lessons, or the work of one athlete. */
export interface CalendarRow {
  readonly id: string;
  /** Null for the lessons of all athletes. */
  readonly athlete: { readonly id: string; readonly name: string } | null;
  readonly madeAt: string;
  readonly readAt: string | null;
}
export interface NewCalendar {
  readonly athlete: string | null;
}
export const newCalendarSchema = objectOf<NewCalendar>({ athlete: Joi.string().guid().allow(null).required() });
export interface CalendarMade {
  /** Its address below the site, secret: whoever has it reads the calendar. */
  readonly path: string;
  readonly calendars: readonly CalendarRow[];
}

/** Papers that can be had as PDF. */
export const PAPERS = ['athlete', 'plan'] as const;
export interface PaperQuery {
  readonly paper: (typeof PAPERS)[number];
}
export const paperQuerySchema = objectOf<PaperQuery>({ paper: oneOf(PAPERS).required() });
