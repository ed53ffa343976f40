import { elbowRise, flexion, flexionInPlane, minus } from '../geometry';
import { frameOf, handUp, midHip, ms, percentOfHeight, trunkTurn } from '../readings';
import { ABOVE, ENDS, SIDE } from './formula';
import type { Formula } from './formula';

/** The arms. */
export const ARM: readonly Formula[] = [
  {
    measure: 'hand-break-lead',
    events: ['contact'],
    disciplines: ['overhand'],
    views: SIDE,
    at: (t) => ms(t, t.event('contact') - t.event('hand-break')),
  },
  { measure: 'hand-up-lead', events: ['contact'], views: [...SIDE, 'rear'], at: (t) => ms(t, t.event('contact') - handUp(t)) },
  {
    measure: 'throwing-hand-height',
    events: ['contact'],
    views: [...SIDE, 'rear'],
    planeSd: { 'side-open': 0.51, 'side-closed': 0.44, rear: 1.67 },
    trackedSd: { rear: 4.5 },
    scaled: true,
    at: (t, e) => {
      const f = frameOf(t, e);
      return percentOfHeight(t, t.at('throwing-wrist', f)[2] - t.at('throwing-shoulder', f)[2]);
    },
  },
  ...(
    [
      ['contact', SIDE, 0.97],
      ['release', ENDS, 2.2],
    ] as const
  ).map(([event, views, planeSd]): Formula => ({
    measure: 'elbow-height',
    disciplines: ['overhand'],
    events: [event],
    views,
    planeSd,
    at: (t, e) => {
      const f = frameOf(t, e);
      return elbowRise(t.at('throwing-shoulder', f), t.at('throwing-elbow', f), t.at('glove-shoulder', f), midHip(t, f));
    },
  })),
  ...(
    [
      // The tracker's own error is what it was when the clips were tracked: with the plane's, 8.4°.
      ['contact', SIDE, ['overhand'], { 'side-open': 6.4, 'side-closed': 6.2 }, { 'side-open': 5.4 }],
      ['release', ENDS, ['overhand'], 2.3, 0],
      ['arm-9-oclock', SIDE, ['windmill'], 1.06, 0],
    ] as const
  ).map(([event, views, disciplines, planeSd, trackedSd]): Formula => ({
    measure: 'elbow-flexion',
    events: [event],
    views,
    disciplines,
    planeSd,
    trackedSd,
    at: (t, e) => {
      const f = frameOf(t, e);
      const joints = [t.at('throwing-shoulder', f), t.at('throwing-elbow', f), t.at('throwing-wrist', f)] as const;
      // On its circle seen from the side the hand trails behind the elbow.
      return e === 'arm-9-oclock' && t.request.view !== '3d' ? flexionInPlane(...joints, -1) : flexion(...joints);
    },
  })),
  {
    measure: 'elbow-behind',
    events: ['trunk-square'],
    views: ABOVE,
    planeSd: 0.35,
    scaled: true,
    at: (t, e) => {
      const f = frameOf(t, e);
      const turn = (trunkTurn(t, f) * Math.PI) / 180;
      const arm = minus(t.at('throwing-elbow', f), t.at('throwing-shoulder', f));
      // The chest looks to (sin, −cos) of the trunk's turn.
      return percentOfHeight(t, -(arm[0] * Math.sin(turn) - arm[1] * Math.cos(turn)));
    },
  },
];
