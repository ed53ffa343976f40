import type { DeviceChannel } from '@wrightonic/contract';
import { doubtOf, takeIn, throwOf, toMph } from '@wrightonic/core';
import type { Discipline, Doubt } from '@wrightonic/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api } from '../../../data/api';
import { listenTo } from '../../../data/channel';
import { newId } from '../../../data/ids';

/** A speed that the gun told and that is not logged yet. */
export interface Heard {
  readonly n: number;
  readonly speed: number;
  readonly unit: 'mph' | 'km/h';
  readonly mph: number;
  /** Instant by this device's clock, milliseconds. */
  readonly at: number;
  /** Why it is asked about; `several` when more than one throw may have been it. */
  readonly doubt: Doubt | 'several' | null;
}

/** A throw that was tapped and has no speed yet. */
export interface OpenThrow {
  readonly id: string;
  readonly at: number;
}

interface Measured {
  readonly age: number;
  readonly discipline: Discipline;
  /** Speeds of this athlete today and lately, mph. */
  readonly own: readonly number[];
  readonly open: readonly OpenThrow[];
}

/** What is not asked about any more after so long. */
const KEPT_MS = 60_000;

/**
 * Listens to a radar gun: what plainly belongs to one throw is logged with it; what is odd, or may belong to several, waits for a word.
 * @param onSpeed logs a speed with the throw it belongs to
 */
export function useRadar(measured: Measured, onSpeed: (heard: Heard, rep: string | null) => void) {
  const [channel, setChannel] = useState<DeviceChannel | null>(null);
  const [heard, setHeard] = useState<readonly Heard[]>([]);
  const [lost, setLost] = useState(0);
  const [openChannel, { isLoading }] = api.usePutChannelMutation();
  const last = useRef<{ n: number | null; reading: Heard | null }>({ n: null, reading: null });
  const now = useRef({ measured, onSpeed });
  useEffect(() => {
    now.current = { measured, onSpeed };
  });

  const hear = useCallback((n: number, speed: number, unit: Heard['unit'], agoMs: number) => {
    const { isNew, lost: missing } = takeIn(last.current.n, n);
    if (!isNew) return;
    last.current.n = n;
    if (missing > 0) setLost((before) => before + missing);
    const { measured: m, onSpeed: keep } = now.current;
    const reading = { mph: toMph({ speed, unit }), at: Date.now() - agoMs };
    const odd = doubtOf(reading, last.current.reading, m.own, m.age, m.discipline);
    const belongs = odd === null ? throwOf(reading, m.open) : null;
    const entry: Heard = { n, speed, unit, ...reading, doubt: odd ?? (belongs === 'ask' ? 'several' : null) };
    if (odd === null) last.current.reading = entry;
    if (belongs !== null && belongs !== 'ask') keep(entry, belongs.id);
    // The same ball read twice is no news.
    else if (odd !== 'double') setHeard((before) => [...before.filter((h) => h.at > Date.now() - KEPT_MS), entry]);
  }, []);

  useEffect(() => {
    if (!channel) return undefined;
    return listenTo(channel, (message) => {
      if (message.kind === 'speed') hear(message.n, message.speed, message.unit, message.agoMs);
    });
  }, [channel, hear]);

  const forget = (n: number) => setHeard((before) => before.filter((h) => h.n !== n));
  return {
    channel,
    opening: isLoading,
    heard,
    lost,
    connect: async () => setChannel(await openChannel({ id: newId() }).unwrap()),
    /** A throw was tapped: the one speed that waited for it is its own. */
    tapped: (rep: OpenThrow) => {
      const waiting = heard.filter((h) => h.doubt === null && throwOf(h, [rep]) !== null);
      if (waiting.length !== 1) {
        if (waiting.length > 1) setHeard((before) => before.map((h) => (waiting.includes(h) ? { ...h, doubt: 'several' } : h)));
        return;
      }
      onSpeed(waiting[0]!, rep.id);
      forget(waiting[0]!.n);
    },
    /** Somebody says that it counts. */
    keep: (one: Heard, rep: string | null) => {
      onSpeed(one, rep);
      forget(one.n);
    },
    drop: (one: Heard) => forget(one.n),
  };
}

export type Radar = ReturnType<typeof useRadar>;
