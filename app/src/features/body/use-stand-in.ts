import { endOfRange, inclinometerAt } from '@wrightonic/core/simulate';
import type { AthleteProfile, TestStep } from '@wrightonic/core';
import type { Truth } from '@wrightonic/core/simulate';
import { useEffect, useState } from 'react';
import { sendTo } from '../../data/channel';
import type { ChannelKey } from '../../data/channel';

const EVERY_MS = 100;

/** Bodies that the stand-in can play; made up. */
export const BODIES = {
  free: { name: 'moves freely', truth: { present: new Set() } },
  'stiff-drive-hip': { name: 'stiff drive hip', truth: { present: new Set(['drive-hip-ir']) } },
  'stiff-turn': { name: 'stiff in the turn', truth: { present: new Set(['thoracic-rotation', 'lead-hip-ir']) } },
} as const satisfies Record<string, { name: string; truth: { present: ReadonlySet<string> } }>;
export type BodyName = keyof typeof BODIES;

/**
 * Plays a made-up athlete's inclinometer over a channel, as a real one would: a reading every tenth of a second, try after try.
 * @returns what it shows just now, degrees
 */
export function useStandIn(
  channel: ChannelKey | null,
  step: TestStep | null,
  athlete: AthleteProfile,
  on: string,
  body: BodyName,
  seed: number,
): number {
  const [shown, setShown] = useState(0);
  const [test, side] = [step?.test, step?.side];
  useEffect(() => {
    if (!channel || !test || !side) return undefined;
    const here = { test, side };
    const end = endOfRange(seed, BODIES[body].truth as Pick<Truth, 'present'>, athlete, on, here);
    const began = performance.now();
    const timer = setInterval(() => {
      const deg = Math.round(10 * Math.max(0, inclinometerAt(seed, end, here, (performance.now() - began) / 1000))) / 10;
      setShown(deg);
      // A reading that does not get through is followed by the next.
      void sendTo(channel, [{ kind: 'tilt', deg }]).catch(() => undefined);
    }, EVERY_MS);
    return () => clearInterval(timer);
  }, [channel, test, side, athlete, on, body, seed]);
  return shown;
}
