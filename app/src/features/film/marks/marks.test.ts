import { EMPTY_MARKS } from '@wrightonic/contract';
import { EVENTS, MARKED_JOINTS, spoken } from '@wrightonic/core';
import type { MarkedFrame } from '@wrightonic/core';
import {
  BONES,
  drawingsAt,
  eventFrom,
  EVENTS_OF,
  JOINT_ORDER,
  jointsSeen,
  nextJoint,
  withDrawing,
  withEvent,
  withJoint,
  withoutDrawing,
  withoutJoint,
  withSuggestions,
  withTracks,
} from './marks';

const FPS = 100;

describe('marks on a clip', () => {
  it('offer every joint once, and only events and joints that exist', () => {
    expect([...JOINT_ORDER].sort()).toEqual([...MARKED_JOINTS].sort());
    for (const event of [...EVENTS_OF.overhand, ...EVENTS_OF.windmill]) expect(EVENTS).toContain(event);
    for (const joint of BONES.flat()) expect(MARKED_JOINTS).toContain(joint);
    expect(nextJoint('ball')).toBe('head');
    expect(spoken('arm-12-oclock')).toBe('arm 12 o’clock');
  });

  it('move a joint on its frame and leave the others; the last one gone takes the frame with it', () => {
    const one = withJoint(withJoint(EMPTY_MARKS, 8, 'head', [10, 20], FPS), 4, 'head', [2, 4], FPS);
    expect(one.frames.map((f) => f.frame)).toEqual([4, 8]);
    const moved = withJoint(one, 8, 'head', [11.04, 20], FPS);
    expect(moved.frames[1]!.joints.head).toEqual({ x: 11, y: 20, sd: 2 });
    expect(moved.frames[0]).toEqual(one.frames[0]);
    expect(withoutJoint(moved, 4, 'head').frames.map((f) => f.frame)).toEqual([8]);
  });

  it('show a joint between two marked frames on the straight line, and nothing beyond them', () => {
    const marks = withJoint(withJoint(EMPTY_MARKS, 4, 'head', [0, 0], FPS), 8, 'head', [40, 80], FPS);
    expect(jointsSeen(marks, 5)).toEqual([{ joint: 'head', x: 10, y: 20, how: 'between' }]);
    expect(jointsSeen(marks, 8)).toEqual([{ joint: 'head', x: 40, y: 80, how: 'set' }]);
    expect(jointsSeen(marks, 9)).toEqual([]);
  });

  it('set, move and take away an event, and lead from one to the next', () => {
    const marks = withEvent(withEvent(EMPTY_MARKS, 'contact', 30), 'release', 50);
    expect(eventFrom(marks, 30, 1)).toBe(50);
    expect(eventFrom(marks, 50, -1)).toBe(30);
    expect(eventFrom(marks, 50, 1)).toBeNull();
    expect(withEvent(marks, 'contact', null).events).toEqual({ release: { frame: 50 } });
  });
});

describe('tracked joints', () => {
  const track: MarkedFrame[] = Array.from({ length: 21 }, (_, frame) => ({
    frame,
    joints: { head: { x: 100 + frame, y: 50, sd: 5, by: 'track' } },
  }));
  const tracked = withTracks(EMPTY_MARKS, track);
  const xs = (marks: typeof tracked) => marks.frames.map((f) => f.joints.head!.x);

  it('that are corrected draw their neighbours along, less with distance, and no further', () => {
    const marks = withJoint(tracked, 10, 'head', [130, 50], FPS);
    const moved = xs(marks).map((x, i) => x - (100 + i));
    expect(moved[10]).toBe(20);
    // Six frames at a hundred a second: half-way there it is half of it.
    expect(moved[7]).toBeCloseTo(10, 0);
    expect(moved[13]).toBeCloseTo(10, 0);
    expect(moved[9]).toBeGreaterThan(moved[8]!);
    expect([moved[4], moved[3], moved[16], moved[20]]).toEqual([0, 0, 0, 0]);
    expect(marks.frames[10]!.joints.head).toEqual({ x: 130, y: 50, sd: 2 });
    expect(marks.frames[9]!.joints.head!.by).toBe('track');
  });

  it('are not drawn past a frame that was set by hand', () => {
    const marks = withJoint(withJoint(tracked, 8, 'head', [108, 50], FPS), 10, 'head', [130, 50], FPS);
    expect(xs(marks)[8]).toBe(108);
    expect(xs(marks)[7]).toBe(107);
    expect(xs(marks)[9]).toBeGreaterThan(109);
  });

  it('found anew leave what was set by hand', () => {
    const marks = withTracks(withJoint(tracked, 10, 'head', [130, 50], FPS), track);
    expect(xs(marks)[10]).toBe(130);
    expect(xs(marks)[9]).toBe(109);
    expect(withTracks(marks, []).frames).toEqual([{ frame: 10, joints: { head: { x: 130, y: 50, sd: 2 } } }]);
  });

  it('suggest events beside those that were placed by hand', () => {
    const marks = withSuggestions(withEvent(EMPTY_MARKS, 'contact', 30), {
      contact: { frame: 33, sd: 1 },
      release: { frame: 50, sd: 1 },
    });
    expect(marks.events).toEqual({ contact: { frame: 30 }, release: { frame: 50, sd: 1 } });
    // A suggestion is replaced by the next one.
    expect(withSuggestions(marks, { release: { frame: 51, sd: 2 } }).events).toEqual({
      contact: { frame: 30 },
      release: { frame: 51, sd: 2 },
    });
  });
});

describe('drawings', () => {
  const line = {
    id: 'a',
    kind: 'line',
    points: [
      [0, 0],
      [1, 1],
    ],
    text: '',
    from: 3,
    to: 5,
  } as const;
  it('show on their frames, are replaced by their id, and go', () => {
    const marks = withDrawing(EMPTY_MARKS, line);
    expect([2, 3, 5, 6].map((f) => drawingsAt(marks, f).length)).toEqual([0, 1, 1, 0]);
    expect(withDrawing(marks, { ...line, to: 9 }).drawings).toEqual([{ ...line, to: 9 }]);
    expect(withoutDrawing(marks, 'a').drawings).toEqual([]);
  });
});
