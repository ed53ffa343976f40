/** What is handed to people: sheets of two dates, links to them, and calendars to subscribe to. */
import type { CourseState, Discipline, IsoDate, LengthUnit, Sheet } from '@wrightonic/core';
import Joi from 'joi';
import type { CampReport } from '../camp/reports';
import { CAMP_MOST } from '../camp/camp';
import type { SheetPicture } from '../film/clips';
import type { NamedId } from '../people/people';
import { isoDate, listOf, objectOf, oneOf, text, uuid } from '../schema/schema';

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

/** Days for which a link may be open, and how long it is when nothing is said. */
export const LINK_DAYS = { most: 90, usual: 14 } as const;
const linkDays = () => Joi.number().integer().min(1).max(LINK_DAYS.most);
const PICTURE_MOST = 200_000;

export interface NewLink extends SheetQuery {
  readonly days: number;
  /** Frames that were chosen to go along. */
  readonly pictures: readonly SheetPicture[];
}
export const newLinkSchema = objectOf<NewLink>({
  from: isoDate().required(),
  to: isoDate().required(),
  days: linkDays().required(),
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
  /** Name of the camp whose report it shows; null for a sheet of two dates. */
  readonly camp: string | null;
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

/** A link of each athlete to their own report. */
export interface NewCampLinks {
  readonly days: number;
  /** Whose, each with the id of the link that is made. */
  readonly links: readonly { readonly id: string; readonly athlete: string }[];
}
export const newCampLinksSchema = objectOf<NewCampLinks>({
  days: linkDays().required(),
  links: listOf(
    objectOf<NewCampLinks['links'][number]>({ id: uuid().required(), athlete: uuid().required() }),
    CAMP_MOST.athletes,
  )
    .min(1)
    .unique('id')
    .unique('athlete')
    .required(),
});
/** The secrets are told once, when the links are made. */
export interface CampLink {
  readonly athlete: NamedId;
  readonly token: string;
}

/** What stands behind a link. */
export type Shared =
  | { readonly kind: 'sheet'; readonly sheet: ReportSheet }
  | {
      readonly kind: 'camp';
      readonly academy: string;
      readonly camp: string;
      readonly from: IsoDate;
      readonly to: IsoDate;
      readonly report: CampReport;
      /** Why there is no throwing now, whatever the report planned; null where there is. */
      readonly locked: string | null;
    };

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
