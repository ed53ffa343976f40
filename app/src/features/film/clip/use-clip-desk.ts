import { suggestEvents } from '@wrightonic/core';
import type { AthleteOverview } from '@wrightonic/contract';
import { clipMeasureRequest } from '@wrightonic/contract';
import { useMemo, useState } from 'react';
import { useShortcuts } from '../../../ui/shortcuts';
import type { FrameSource } from '../media/frames';
import { closerPart, eventFrom, withScale, withSuggestions, withTracks } from '../marks/marks';
import type { ClipFacts, MarkWork } from './use-clip';
import { useMarking } from './use-marking';
import type { Part } from './use-marking';
import { useMeasured } from '../measures/use-measured';
import { usePlay } from '../playback/use-play';
import { useTracking } from '../track/use-tracking';

/** Frames with joints from which events can be read. */
const ENOUGH_FRAMES = 10;

/** A clip that is open, with its athlete and its marks. */
export interface OpenClip {
  readonly id: string;
  readonly overview: AthleteOverview;
  readonly clip: ClipFacts;
  readonly file: Blob | string;
  readonly source: FrameSource;
  readonly work: MarkWork;
  readonly mayMark: boolean;
  /** Where the clip opens; contact when it is not said. */
  readonly event: string | undefined;
}

/** Everything that goes on over an open clip: the frame that is shown, playing, marking, tracking, measuring. */
export function useClipDesk({ overview, clip, source, work, mayMark, event }: OpenClip) {
  const { athlete } = overview;
  const { marks, change } = work;
  const fps = clip.captureFps;
  const from = marks.trim?.from ?? 0;
  const to = Math.min(marks.trim?.to ?? source.info.frames - 1, source.info.frames - 1);
  const [at, setAt] = useState(() => Math.round((marks.events[event as 'contact'] ?? marks.events.contact)?.frame ?? from));
  const frame = Math.max(from, Math.min(at, to));
  const [closer, setCloser] = useState(false);
  const [part, setPart] = useState<Part>(mayMark ? 'events' : 'measures');
  const play = usePlay(frame, from, to, fps, setAt);
  const go = (next: number) => {
    play.stop();
    setAt(Math.max(from, Math.min(next, to)));
  };
  const tracking = useTracking(fps, athlete.throws, ({ frames, tall }) => {
    const tracked = withTracks(marks, frames);
    const ankle = frames[0]?.joints['drive-ankle'];
    const scale =
      tracked.scale ??
      (ankle
        ? ({ by: 'height', metres: athlete.heightM, from: [ankle.x, ankle.y - tall], to: [ankle.x, ankle.y] } as const)
        : null);
    const { events: _, ...request } = clipMeasureRequest(athlete, clip, { ...tracked, scale });
    const events = suggestEvents(request);
    change(withScale(withSuggestions(tracked, events), scale));
    setAt(Math.round(marks.events.contact?.frame ?? events.contact?.frame ?? frame));
  });
  const request = useMemo(
    () => (part === 'measures' ? clipMeasureRequest(athlete, clip, marks) : null),
    [part, athlete, clip, marks],
  );
  const measured = useMeasured(request);
  const marking = useMarking({ part, marks, change, frame, fps, mayMark: mayMark && !play.playing });
  const { width: wideAs, height: highAs } = source.info;
  const shown = useMemo(() => (closer ? closerPart(marks, frame, wideAs, highAs) : null), [closer, marks, frame, wideAs, highAs]);

  const stepEvent = (way: 1 | -1) => {
    const next = eventFrom(marks, frame, way);
    if (next !== null) go(next);
  };
  useShortcuts([
    { key: 'ArrowLeft', does: 'one frame back', run: () => go(frame - 1) },
    { key: 'ArrowRight', does: 'one frame on', run: () => go(frame + 1) },
    { key: 'ArrowUp', does: 'ten frames back', run: () => go(frame - 10) },
    { key: 'ArrowDown', does: 'ten frames on', run: () => go(frame + 10) },
    { key: ' ', does: 'play slowly, stop', run: play.toggle },
    { key: '[', does: 'event before', run: () => stepEvent(-1) },
    { key: ']', does: 'event after', run: () => stepEvent(1) },
    { key: 'z', does: 'undo', run: () => work.undo?.() },
    { key: 'y', does: 'redo', run: () => work.redo?.() },
    { key: 's', does: 'save', run: () => void work.save() },
  ]);
  const suggest =
    marks.frames.length > ENOUGH_FRAMES && clip.setup.view.startsWith('side')
      ? () => {
          const { events: _, ...bare } = clipMeasureRequest(athlete, clip, marks);
          change(withSuggestions(marks, suggestEvents(bare)));
        }
      : null;
  return {
    marks,
    change,
    fps,
    from,
    to,
    frame,
    go,
    play,
    part,
    setPart,
    closer,
    setCloser,
    shown,
    marking,
    measured,
    tracking,
    /** Events read from the joints; null where there are too few of them. */
    suggest,
  };
}

export type ClipDesk = ReturnType<typeof useClipDesk>;
