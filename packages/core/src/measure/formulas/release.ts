import {
  HIPS,
  arrival,
  frameOf,
  hipExtension,
  midShoulder,
  mostOf,
  ms,
  percentOfHeight,
  requireStanding,
  spread,
  straightens,
  straightest,
} from '../readings';
import { ENDS, SIDE } from './formula';
import type { Formula } from './formula';

/** A leg that pushes straightens its knee by so much, degrees; an idle one by next to nothing. Provenance `house`, from simulated deliveries. */
const PUSHED = 20;

/** The push-off, and what release and finish show. */
export const RELEASE: readonly Formula[] = [
  { measure: 'heel-peel-lead', events: ['heel-off'], views: SIDE, at: (t) => ms(t, t.event('contact') - t.event('heel-off')) },
  {
    measure: 'push-off-spread',
    handOnly: true,
    events: ['toe-off'],
    disciplines: ['windmill'],
    planeSd: 1.67,
    views: SIDE,
    at: (t, e) => {
      const f = frameOf(t, e);
      const [from, to] = [f - 0.2 * t.request.fps, f + 0.06 * t.request.fps];
      // A knee that never straightens has no instant of it: the less it does, the later than everything else it counts.
      const pushed = straightens(t, 'drive', from, to) / PUSHED;
      if (pushed < 1) return ms(t, (f - from) * (2 - pushed));
      return ms(
        t,
        spread([
          straightest(t, ['drive-knee', 'drive-ankle', 'drive-toe'], from, to),
          straightest(t, ['drive-hip', 'drive-knee', 'drive-ankle'], from, to),
          // A hip goes on past straight: the thigh behind the trunk is more extension, not less.
          mostOf(t, ['drive-hip', 'drive-knee', ...HIPS, 'throwing-shoulder', 'glove-shoulder'], from, to, (g) =>
            hipExtension(t, g),
          ),
        ]),
      );
    },
  },
  {
    measure: 'finish-spread',
    handOnly: true,
    events: ['finish'],
    disciplines: ['windmill'],
    planeSd: 2.46,
    views: SIDE,
    at: (t) => {
      const from = t.event('release') - 0.1 * t.request.fps;
      const to = from + 1.2 * t.request.fps;
      return ms(
        t,
        spread((['throwing-wrist', 'glove-wrist', 'drive-ankle'] as const).map((joint) => arrival(t, joint, from, to))),
      );
    },
  },
  {
    measure: 'glove-travel-side',
    events: ['release'],
    planeSd: { front: 1.23, rear: 0.92 },
    trackedSd: { rear: 2.5 },
    views: ENDS,
    scaled: true,
    at: (t) =>
      percentOfHeight(t, Math.abs(t.at('glove-wrist', t.event('release'))[1] - t.at('glove-wrist', t.event('contact'))[1])),
  },
  {
    measure: 'chest-past-knee',
    events: ['release'],
    planeSd: 0.53,
    views: SIDE,
    scaled: true,
    at: (t, e) => {
      requireStanding(t, frameOf(t, e));
      return percentOfHeight(t, midShoulder(t, frameOf(t, e))[0] - t.at('lead-knee', frameOf(t, e))[0]);
    },
  },
];
