import type { DeviceChannel } from '@wrightonic/contract';
import { isSteady, tiltSince, turnSince } from '@wrightonic/core';
import type { Attitude, TestStep } from '@wrightonic/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api } from '../../data/api';
import { listenTo } from '../../data/channel';
import { newId } from '../../data/ids';

export type TiltSource = 'none' | 'sensor' | 'channel';

interface Sample {
  /** Test and side that it was read for: another's are no readings of this one. */
  readonly of: string;
  readonly at: number;
  readonly deg: number;
}

const KEPT_MS = 1500;

interface SensorEvent {
  readonly alpha: number | null;
  readonly beta: number | null;
  readonly gamma: number | null;
}

/** Asks the phone for its sensor where it wants to be asked. @returns whether it may be read */
async function sensorAllowed(): Promise<boolean> {
  const sensor = (globalThis as { DeviceOrientationEvent?: { requestPermission?: () => Promise<string> } })
    .DeviceOrientationEvent;
  if (!sensor) return false;
  return sensor.requestPermission ? (await sensor.requestPermission()) === 'granted' : true;
}

/** Whether this device could have a tilt sensor at all. */
export const hasSensor = (): boolean =>
  typeof window !== 'undefined' && 'DeviceOrientationEvent' in window && navigator.maxTouchPoints > 0;

export interface Tilt {
  readonly source: TiltSource;
  readonly deg: number | null;
  readonly steady: boolean;
  readonly channel: DeviceChannel | null;
  /** From here on degrees count from the present position. */
  readonly zero: () => void;
  readonly useSensor: () => Promise<void>;
  readonly useChannel: () => Promise<void>;
}

/**
 * Degrees from an inclinometer: the phone's own sensor, or a device that writes to a channel. A turn of the seated trunk is one
 * round the vertical; everything else is a tilt.
 */
export function useTilt(step: TestStep | null): Tilt {
  const [source, setSource] = useState<TiltSource>('none');
  const [channel, setChannel] = useState<DeviceChannel | null>(null);
  const [samples, setSamples] = useState<readonly Sample[]>([]);
  const [openChannel] = api.usePutChannelMutation();
  const attitude = useRef<Attitude | null>(null);
  const from = useRef<{ attitude: Attitude | null; deg: number }>({ attitude: null, deg: 0 });
  const last = useRef(0);
  const turning = step?.test.startsWith('trunk-rotation') ?? false;

  const of = step ? `${step.test}:${step.side}` : '';
  const add = useCallback(
    (deg: number) => {
      const at = Date.now();
      setSamples((now) => [...now.filter((s) => s.of === of && s.at > at - KEPT_MS), { of, at, deg }]);
    },
    [of],
  );

  useEffect(() => {
    if (source !== 'sensor') return undefined;
    const onTurn = ({ alpha, beta, gamma }: SensorEvent) => {
      if (alpha === null || beta === null || gamma === null) return;
      const now = { alpha, beta, gamma };
      attitude.current = now;
      from.current.attitude ??= now;
      add(turning ? turnSince(from.current.attitude, now) : tiltSince(from.current.attitude, now));
    };
    window.addEventListener('deviceorientation', onTurn);
    return () => window.removeEventListener('deviceorientation', onTurn);
  }, [source, turning, add]);

  useEffect(() => {
    if (source !== 'channel' || !channel) return undefined;
    return listenTo(channel, (message) => {
      if (message.kind !== 'tilt') return;
      last.current = message.deg;
      add(Math.abs(message.deg - from.current.deg));
    });
  }, [source, channel, add]);

  const mine = samples.filter((s) => s.of === of);
  const newest = mine[mine.length - 1];
  return {
    source,
    channel,
    deg: source === 'none' || !newest ? null : newest.deg,
    steady: isSteady(mine),
    zero: () => {
      from.current = { attitude: attitude.current, deg: last.current };
      setSamples([]);
    },
    useSensor: async () => {
      if (await sensorAllowed()) setSource('sensor');
    },
    useChannel: async () => {
      if (!channel) setChannel(await openChannel({ id: newId() }).unwrap());
      setSource('channel');
    },
  };
}
