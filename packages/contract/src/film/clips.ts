/** Clips of deliveries: the set-up, the file, and what was marked on it. */
import { VIEWS } from '@wrightonic/core';
import type { AthleteProfile, IsoDate, MarkedEvent, MarkedFrame, MeasureRequest, View } from '@wrightonic/core';
import Joi from 'joi';
import { markedEventsSchema, markedFramesSchema } from './film';
import { isoDate, listOf, maybeText, objectOf, oneOf, text } from '../schema/schema';

export const CLIP_TYPES = ['video/mp4', 'video/quicktime', 'video/webm'] as const;
export type ClipType = (typeof CLIP_TYPES)[number];

/** Atoms with which a QuickTime file may begin. */
const QUICKTIME_STARTS: readonly string[] = ['moov', 'mdat', 'wide', 'free', 'skip', 'pnot'];

/**
 * The type of a clip by how its file begins, whatever it is called; null for one that is none.
 * @param head the first twelve bytes or more
 */
export function clipTypeOf(head: Uint8Array): ClipType | null {
  const text = (from: number) => String.fromCharCode(...head.slice(from, from + 4));
  if (text(4) === 'ftyp') return text(8) === 'qt  ' ? 'video/quicktime' : 'video/mp4';
  if (QUICKTIME_STARTS.includes(text(4))) return 'video/quicktime';
  return head[0] === 0x1a && head[1] === 0x45 && head[2] === 0xdf && head[3] === 0xa3 ? 'video/webm' : null;
}
/** Largest clip, bytes. */
export const CLIP_MOST = 300 * 1024 * 1024;
/** Largest part of a clip in one request, bytes. */
export const PART_MOST = 1024 * 1024;

/** Longest small picture of a clip, characters of its data URL. */
export const POSTER_MOST = 60_000;

/** How the clip was filmed, as answered before the first frame: unlike set-ups are said before numbers are compared. */
export interface FilmSetup {
  readonly view: Exclude<View, '3d'>;
  readonly distanceM: number | null;
  readonly cameraHeightM: number | null;
  readonly level: boolean;
  /** The athlete is at least half the frame high, from the set to the finish. */
  readonly whole: boolean;
  /** How hard the throws were, percent; left out or null where nobody said. Without it a clip cannot tell that a focus is done. */
  readonly effort?: number | null;
}
export const filmSetupSchema = objectOf<FilmSetup>({
  view: oneOf(VIEWS.filter((v) => v !== '3d') as Exclude<View, '3d'>[]).required(),
  distanceM: Joi.number().min(0.5).max(100).allow(null).required(),
  cameraHeightM: Joi.number().min(0).max(10).allow(null).required(),
  level: Joi.boolean().required(),
  whole: Joi.boolean().required(),
  effort: Joi.number().integer().min(10).max(100).allow(null),
});

export interface NewClip {
  readonly on: IsoDate;
  readonly name: string;
  readonly type: ClipType;
  readonly bytes: number;
  /** SHA-256 of the file, hex: what arrives is compared with it. */
  readonly sha256: string;
  /** True capture rate, frames a second: a file recorded at 240 and played at 30 has 240. */
  readonly captureFps: number;
  readonly frames: number;
  readonly width: number;
  readonly height: number;
  readonly setup: FilmSetup;
  /** A small picture of the clip, as a data URL of a JPEG. */
  readonly poster: string | null;
}
export const newClipSchema = objectOf<NewClip>({
  on: isoDate().required(),
  name: text(200).required(),
  type: oneOf(CLIP_TYPES).required(),
  bytes: Joi.number().integer().min(1).max(CLIP_MOST).required().messages({
    'number.max': '{{#label}}: the clip is larger than 300 MB; trim it on the phone to the throw itself',
  }),
  sha256: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .required(),
  captureFps: Joi.number().min(5).max(2000).required(),
  frames: Joi.number().integer().min(2).max(100_000).required(),
  width: Joi.number().integer().min(16).max(8192).required(),
  height: Joi.number().integer().min(16).max(8192).required(),
  setup: filmSetupSchema.required(),
  poster: Joi.string()
    .max(POSTER_MOST)
    .pattern(/^data:image\/jpeg;base64,[A-Za-z0-9+/]+=*$/)
    .allow(null)
    .required(),
});

/** Two points a known length apart, pixels: the scale, with its error as a share. */
export interface ClipScale {
  readonly by: 'height' | 'rubber' | 'tape';
  readonly metres: number;
  readonly from: readonly [x: number, y: number];
  readonly to: readonly [x: number, y: number];
}
const at = () => Joi.array().ordered(Joi.number().required(), Joi.number().required()).length(2).required();

/** What can be drawn on a clip, and how many points it takes. */
export const DRAWING_POINTS = {
  line: [2, 2],
  arrow: [2, 2],
  angle: [3, 3],
  circle: [2, 2],
  path: [2, 400],
  note: [1, 1],
} as const satisfies Record<string, readonly [number, number]>;
export type DrawingKind = keyof typeof DRAWING_POINTS;
export const DRAWING_KINDS = Object.keys(DRAWING_POINTS) as DrawingKind[];

/** Something drawn, in pixels of the clip, shown from one frame to another. */
export interface Drawing {
  readonly id: string;
  readonly kind: DrawingKind;
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly text: string;
  readonly from: number;
  readonly to: number;
}
const frameNumber = () => Joi.number().integer().min(0).max(1_000_000).required();
const drawingSchema = objectOf<Drawing>({
  id: Joi.string().guid().required(),
  kind: oneOf(DRAWING_KINDS).required(),
  points: listOf(Joi.array().ordered(Joi.number().required(), Joi.number().required()).length(2), 400).required(),
  text: maybeText(200).required(),
  from: frameNumber(),
  to: frameNumber(),
}).custom((drawing: Drawing, helpers) => {
  const [least, most] = DRAWING_POINTS[drawing.kind];
  if (drawing.points.length < least || drawing.points.length > most)
    return helpers.error('drawing.points', { kind: drawing.kind, least, most });
  return drawing.to < drawing.from ? helpers.error('drawing.span') : drawing;
});

/** The stretch of the clip that is looked at, both ends included. */
export interface Trim {
  readonly from: number;
  readonly to: number;
}

export interface ClipMarks {
  readonly events: MeasureRequest['events'];
  readonly frames: readonly MarkedFrame[];
  readonly scale: ClipScale | null;
  readonly trim: Trim | null;
  readonly drawings: readonly Drawing[];
}
export const clipMarksSchema = objectOf<ClipMarks>({
  events: markedEventsSchema.required(),
  frames: markedFramesSchema.required(),
  scale: Joi.object({
    by: oneOf(['height', 'rubber', 'tape'] as const).required(),
    metres: Joi.number().min(0.1).max(30).required(),
    from: at(),
    to: at(),
  })
    .allow(null)
    .required(),
  trim: Joi.object({ from: frameNumber(), to: frameNumber() }).allow(null).required(),
  drawings: listOf(drawingSchema, 200).required(),
}).messages({
  'drawing.points': '{{#label}}: “{{#kind}}” takes {{#least}} to {{#most}} points',
  'drawing.span': '{{#label}}: it ends before it begins',
});
export const EMPTY_MARKS: ClipMarks = { events: {}, frames: [], scale: null, trim: null, drawings: [] };
export type { MarkedEvent };

export interface ClipRow {
  readonly id: string;
  readonly on: IsoDate;
  readonly name: string;
  readonly type: ClipType;
  readonly bytes: number;
  /** Bytes that have arrived; the upload goes on from here. */
  readonly received: number;
  readonly captureFps: number;
  readonly frames: number;
  readonly width: number;
  readonly height: number;
  readonly setup: FilmSetup;
  readonly poster: string | null;
  readonly marked: boolean;
}
export interface ClipRecord extends ClipRow {
  readonly marks: ClipMarks;
}

/** Error of a scale, as a share: an athlete's height is never quite upright, a rubber is short, a tape is good. Provenance `house`. */
const SCALE_SD: Record<ClipScale['by'], number> = { height: 0.03, rubber: 0.04, tape: 0.01 };

/** What is measured, from a clip and its marks: the same on the device and on the server. */
export function clipMeasureRequest(
  athlete: Pick<AthleteProfile, 'discipline' | 'throws' | 'heightM'>,
  clip: Pick<ClipRow, 'captureFps' | 'setup'> & (Pick<ClipRow, 'width' | 'height'> | object),
  { scale, events, frames }: ClipMarks,
): MeasureRequest {
  const pixels = scale ? Math.hypot(scale.to[0] - scale.from[0], scale.to[1] - scale.from[1]) : 0;
  return {
    discipline: athlete.discipline,
    throws: athlete.throws,
    fps: clip.captureFps,
    view: clip.setup.view,
    heightM: athlete.heightM,
    scale: scale && pixels > 0 ? { metresPerUnit: scale.metres / pixels, sd: SCALE_SD[scale.by] } : null,
    events,
    frames,
    ...('width' in clip ? { frame: { width: clip.width, height: clip.height } } : {}),
  };
}

/** A set-up that the joints have contradicted, put right. */
export interface SetupMend {
  readonly view?: FilmSetup['view'];
  readonly captureFps?: number;
}
export const setupMendSchema = objectOf<SetupMend>({
  view: oneOf(VIEWS.filter((v) => v !== '3d') as Exclude<View, '3d'>[]),
  captureFps: Joi.number().min(5).max(2000),
}).or('view', 'captureFps');

export interface PartQuery {
  /** Bytes before this part. */
  readonly from: number;
}
export const partQuerySchema = objectOf<PartQuery>({
  from: Joi.number().integer().min(0).max(CLIP_MOST).required().prefs({ convert: true }),
});

/** A picture out of a clip that goes home. */
export interface SheetPicture {
  readonly on: IsoDate;
  readonly of: string;
  /** Data URL of a JPEG. */
  readonly url: string;
}
