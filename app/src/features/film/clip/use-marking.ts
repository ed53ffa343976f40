import type { ClipMarks, DrawingKind } from '@wrightonic/contract';
import type { MarkedJoint } from '@wrightonic/core';
import { useCallback, useMemo, useState } from 'react';
import { newId } from '../../../data/ids';
import { drawingFrom, drawingPoints, isDrawn } from '../marks/draw';
import type { Touch } from '../marks/FrameView';
import { drawingsAt, jointsSeen, nextJoint, withDrawing, withJoint, withScale } from '../marks/marks';
import { paintDrawing, paintJoints } from '../marks/paint';
import type { At, Ink } from '../marks/paint';
import type { ScaleWork } from './ScalePanel';

/** What the bench beside the clip is open at: it decides what a touch on the picture does. */
export type Part = 'events' | 'joints' | 'measures' | 'draw';

interface Asked {
  readonly part: Part;
  readonly marks: ClipMarks;
  readonly change: (next: ClipMarks) => void;
  readonly frame: number;
  readonly fps: number;
  readonly mayMark: boolean;
}

/** Marking on the picture: which joint, tool or scale is in the hand, what a touch does with it, and how it looks meanwhile. */
export function useMarking({ part, marks, change, frame, fps, mayMark }: Asked) {
  const [joint, setJoint] = useState<MarkedJoint>('throwing-wrist');
  const [tool, setTool] = useState<DrawingKind>('line');
  const [note, setNote] = useState('');
  const [begun, setBegun] = useState<readonly At[]>([]);
  const [scaling, setScaling] = useState<ScaleWork | null>(null);
  const joints = useMemo(() => jointsSeen(marks, frame), [marks, frame]);

  const paint = useCallback(
    (ctx: Ink, unit: number, stroke: readonly At[] | null) => {
      const finger = stroke?.[stroke.length - 1];
      const moved =
        part === 'joints' && finger
          ? [...joints.filter((j) => j.joint !== joint), { joint, x: finger[0], y: finger[1], how: 'set' as const }]
          : joints;
      paintJoints(ctx, moved, part === 'joints' ? joint : null, unit);
      for (const drawing of drawingsAt(marks, frame)) paintDrawing(ctx, drawing, unit);
      const { scale } = marks;
      const line = (points: readonly At[]) =>
        paintDrawing(ctx, { id: '', kind: 'arrow', points, text: '', from: 0, to: 0 }, unit, true);
      if (part === 'measures' && scaling?.first) line([scaling.first, finger ?? scaling.first]);
      else if (part === 'measures' && scaling && scale) line([scale.from, scale.to]);
      if (part === 'draw' && (stroke ?? begun.length > 0))
        paintDrawing(ctx, drawingFrom(tool, [...begun, ...drawingPoints(tool, stroke ?? [])], note, frame), unit, true);
    },
    [part, joints, joint, marks, frame, scaling, tool, begun, note],
  );

  const touch = useMemo((): Touch | null => {
    if (!mayMark) return null;
    if (part === 'joints')
      return {
        loupe: true,
        onDone: (stroke) => {
          change(withJoint(marks, frame, joint, stroke[stroke.length - 1]!, fps));
          // Marking goes on to the next joint; correcting stays.
          if (!joints.some((j) => j.joint === joint)) setJoint(nextJoint(joint));
        },
      };
    if (part === 'measures' && scaling)
      return {
        loupe: true,
        onDone: (stroke) => {
          const end = stroke[stroke.length - 1]!;
          const { first, by, metres } = scaling;
          if (!first) setScaling({ ...scaling, first: end });
          else {
            if (metres >= 0.1 && metres <= 30) change(withScale(marks, { by, metres, from: first, to: end }));
            setScaling(null);
          }
        },
      };
    if (part === 'draw')
      return {
        loupe: tool !== 'path',
        onDone: (stroke) => {
          const points = [...begun, ...drawingPoints(tool, stroke)];
          if (tool === 'angle' && points.length < 3) setBegun(points);
          else {
            setBegun([]);
            const drawing = { ...drawingFrom(tool, points, note, frame), id: newId() };
            if (isDrawn(drawing)) change(withDrawing(marks, drawing));
          }
        },
      };
    return null;
  }, [mayMark, part, scaling, tool, begun, note, marks, frame, joint, joints, fps, change]);

  return {
    joint,
    setJoint,
    tool,
    setTool: (next: DrawingKind) => {
      setTool(next);
      setBegun([]);
    },
    note,
    setNote,
    /** Points of an angle that are there already. */
    begun: begun.length,
    scaling,
    setScaling,
    paint,
    touch,
  };
}
