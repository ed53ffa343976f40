import type { DeliveryEvent } from '../delivery/measures';
import { peakOf } from './series';
import { END_ON, falls, leaves, median, OFF_GROUND, rises, STILL, Tracks, USUAL_NOISE } from './tracks';
import type { MarkedEvent, MarkedJoint, MeasureRequest } from './types';

type Markable = Exclude<DeliveryEvent, 'max'>;

export type EventMarks = MeasureRequest['events'];

/** Tracked joints wander more than a hand does: the errors are so many times as wide, those of the drive foot most, and feet must move further to count. */
const TRACKED = 2;

const TRACKED_FOOT: Partial<Record<Markable, number>> = { 'heel-off': 3, 'toe-off': 5 };

const FOOT_MOVED = { marked: 0.015, tracked: 0.045 } as const;

const ANYTHING_MOVED = 0.012;

const HANDS_APART = 0.045;

/** The drive toe has left the ground so long after contact at the latest, seconds. */
const AFTER_CONTACT_S = 0.15;

/** The foot lies flat so long after it touches, seconds, when the clip does not show it. */
const FLAT_AFTER_S = 0.03;

/**
 * How far a suggested event is usually off, 1 SD in seconds. Provenance: simulated deliveries with marks of two pixels
 * (`npm run accuracy`); those that have no sharp instant are wide.
 */
const SUGGESTED_SD_S: Record<Markable, number> = {
  set: 0.09,
  'first-move': 0.08,
  'peak-knee': 0.012,
  'arm-3-oclock': 0.012,
  'hand-break': 0.02,
  'mid-move': 0.015,
  'deepest-load': 0.04,
  'hand-up': 0.012,
  'heel-off': 0.028,
  'toe-off': 0.03,
  'arm-12-oclock': 0.02,
  'arm-9-oclock': 0.01,
  contact: 0.015,
  'foot-flat': 0.024,
  'trunk-square': 0.012,
  'max-external-rotation': 0.02,
  release: 0.01,
  finish: 0.05,
};

/** A time as a number of frames. */
const within = (seconds: number, fps: number): number => seconds * fps;

/**
 * Events of a throw read off its joint tracks, each with its error; those that the tracks do not show are left out. Rules, in the
 * order of what depends on what: release = the throwing wrist's greatest speed (windmill, from the side: the hand passes the hip); peak knee = the lead knee's highest point; contact =
 * the lead ankle comes to rest after its swing; the rest follows from these.
 */
export function suggestEvents(request: Omit<MeasureRequest, 'events'>): EventMarks {
  const tracks = new Tracks(request);
  const { fps, shows } = tracks;
  const found = new Map<Markable, number>();
  const note = (event: Markable, frame: number | null) => {
    if (frame !== null && Number.isFinite(frame) && frame >= 0) found.set(event, frame);
  };
  const wrist = tracks.speed('throwing-wrist');
  const fastest = peakOf(wrist);
  if (!fastest) return {};
  // From the front and the rear a tracker's joints say too little of when things happen: a hand places the events there.
  if (!(shows.x && shows.z) && tracks.how === 'tracked') return {};
  const overhand = request.discipline === 'overhand';
  const release = fastest.t;
  const first = wrist[0]!.t;
  const last = wrist[wrist.length - 1]!.t;

  const contact = landing(tracks, release);
  // Where a tracker's front foot never comes to rest its legs are exchanged, and its fastest hand may be anybody's.
  if (contact === null && tracks.how === 'tracked') return {};
  note('release', release);
  note('contact', contact);
  const still: readonly [number, number] = [first, first + within(0.12, fps)];
  const started = rises(tracks.away('lead-knee', still, first, release), ANYTHING_MOVED);
  if (shows.x && shows.z) {
    note('first-move', started);
    note('set', started === null ? null : Math.max(first, started - within(0.1, fps)));
  } else note('set', first);
  if (shows.z && overhand && contact !== null) {
    const knee = peakOf(tracks.axis('lead-knee', 2, first, contact));
    note('peak-knee', knee?.t ?? null);
    if (knee) {
      note('mid-move', (knee.t + contact) / 2);
      note('deepest-load', (knee.t + 2 * contact) / 3);
      note('hand-break', handsBreak(tracks, knee.t, contact));
      const rise = tracks.between('throwing-shoulder', 'throwing-wrist', 2, knee.t, release);
      const lowest = rise.reduce((a, b) => (b.v < a.v ? b : a), rise[0] ?? { t: knee.t, v: 0 });
      note(
        'hand-up',
        rises(
          rise.filter((s) => s.t >= lowest.t),
          0,
        ),
      );
    }
  }
  if (contact !== null) pushOff(tracks, still, contact, last, note);
  if (shows.z && contact !== null) {
    const seen = tracks.how === 'marked' ? (['lead-heel', 'lead-toe'] as const) : [];
    const flat = Math.max(contact, ...seen.map((joint) => settled(tracks, joint, contact, release) ?? contact));
    note('foot-flat', flat > contact ? flat : contact + within(FLAT_AFTER_S, fps));
  }
  if (!overhand && shows.x && shows.z) armClock(tracks, first, release, contact, note);
  if (shows.x && shows.y && contact !== null) {
    const turn = tracks.over(
      ['throwing-shoulder', 'glove-shoulder'],
      (f) => tracks.trunkTurn(f),
      contact - within(0.1, fps),
      last,
    );
    note('trunk-square', rises(turn, 90));
  }
  const trail = tracks.speed('drive-ankle', release, last);
  const swing = peakOf(trail);
  if (shows.x)
    note(
      'finish',
      (swing &&
        falls(
          trail.filter((s) => s.t >= swing.t),
          0.2 * swing.v,
        )) ??
        last,
    );
  // Marks twice as rough tell when things happen half as well.
  const rough = tracks.how === 'marked' ? Math.max(1, tracks.noise / USUAL_NOISE) : 1;
  const wide = (event: Markable): number =>
    rough * (shows.x && shows.z ? 1 : END_ON) * (tracks.how === 'tracked' ? (TRACKED_FOOT[event] ?? TRACKED) : 1);
  return Object.fromEntries(
    [...found].map(([event, frame]): [Markable, MarkedEvent] => [
      event,
      {
        frame: Math.round(frame),
        sd: Math.round(100 * Math.hypot(SUGGESTED_SD_S[event] * wide(event) * fps, 1 / Math.sqrt(12))) / 100,
      },
    ]),
  );
}

/**
 * When the lead foot touches: the ankle's speed falls to a small share of its swing. From the front and the rear the swing is not
 * seen; there it is when the ankle has come down to where it stays.
 */
function landing(tracks: Tracks, release: number): number | null {
  const [from, to] = [release - within(0.9, tracks.fps), release + within(0.02, tracks.fps)];
  if (!tracks.shows.x) {
    const z = tracks.axis('lead-ankle', 2, from, release + within(0.1, tracks.fps));
    const ground = median(z.filter((s) => s.t > release - within(0.06, tracks.fps)).map((s) => s.v));
    const top = peakOf(z.filter((s) => s.t < release - within(0.1, tracks.fps)));
    return (
      top &&
      falls(
        z.filter((s) => s.t >= top.t),
        ground + OFF_GROUND[tracks.how] * tracks.height,
      )
    );
  }
  const speed = tracks.speed('lead-ankle', from, to);
  const swing = peakOf(speed);
  return (
    swing &&
    falls(
      speed.filter((s) => s.t >= swing.t),
      STILL[tracks.how] * swing.v,
    )
  );
}

/** When the hands part: the wrists are clearly further from one another than they were together. */
function handsBreak(tracks: Tracks, knee: number, contact: number): number | null {
  const apart = tracks.distance('throwing-wrist', 'glove-wrist', knee - within(0.2, tracks.fps), contact);
  const together = Math.min(...apart.slice(0, Math.max(1, apart.length >> 1)).map((s) => s.v));
  return rises(apart, together + HANDS_APART * tracks.height);
}

function pushOff(
  tracks: Tracks,
  still: readonly [number, number],
  contact: number,
  last: number,
  note: (event: Markable, frame: number | null) => void,
): void {
  const from = contact - within(0.35, tracks.fps);
  if (tracks.shows.z) {
    const ground = median(tracks.axis('drive-heel', 2, ...still).map((s) => s.v));
    note('heel-off', rises(tracks.axis('drive-heel', 2, from, last), ground + OFF_GROUND[tracks.how] * tracks.height));
  }
  if (tracks.shows.z && tracks.how === 'marked') {
    const ground = median(tracks.axis('drive-toe', 2, ...still).map((s) => s.v));
    const to = Math.min(last, contact + within(AFTER_CONTACT_S, tracks.fps));
    note('toe-off', leaves(tracks.axis('drive-toe', 2, from, to), ground + OFF_GROUND.marked * tracks.height));
  } else if (tracks.shows.x || tracks.shows.z)
    note('toe-off', rises(tracks.away('drive-toe', still, from, last), FOOT_MOVED[tracks.how]));
}

/** When a part of the lead foot has come down to where it stays. */
function settled(tracks: Tracks, joint: MarkedJoint, contact: number, release: number): number | null {
  const z = tracks.axis(joint, 2, contact - within(0.05, tracks.fps), release + within(0.1, tracks.fps));
  const ground = median(z.slice(z.length >> 1).map((s) => s.v));
  return falls(z, ground + 0.5 * OFF_GROUND[tracks.how] * tracks.height);
}

function armClock(
  tracks: Tracks,
  first: number,
  release: number,
  contact: number | null,
  note: (event: Markable, frame: number | null) => void,
): void {
  const up = (from: number, to: number) => tracks.between('throwing-shoulder', 'throwing-wrist', 2, from, to);
  const ahead = (from: number, to: number) => tracks.between('throwing-shoulder', 'throwing-wrist', 0, from, to);
  const start = Math.max(first, release - within(0.6, tracks.fps));
  const top = peakOf(up(start, release));
  if (!top || top.v <= 0) return;
  note('arm-12-oclock', falls(ahead(Math.max(start, top.t - within(0.12, tracks.fps)), release), 0) ?? top.t);
  note('arm-3-oclock', rises(up(start, top.t), 0));
  // The hand passes the hip: that is where a windmill lets go.
  note(
    'release',
    rises(ahead(Math.max(start, top.t + within(0.1, tracks.fps)), release + within(0.15, tracks.fps)), 0) ?? release,
  );
  note('arm-9-oclock', falls(up(Math.max(top.t, (contact ?? top.t) - within(0.02, tracks.fps)), release + 1), 0));
}
