import type { AthleteWork, Me, ThrownAs } from '@wrightonic/contract';
import { toMph } from '@wrightonic/core';
import type { PlanItem } from '@wrightonic/core';
import { useState } from 'react';
import { api } from '../../../data/api';
import { deviceSet } from '../../../data/device';
import { useAppDispatch, useAppSelector } from '../../../data/store';
import { isThrow } from '../run-state';
import type { useRun } from '../use-run';
import { useRadar } from './use-radar';

/** Where an academy has entered none. */
const SOME_GUN = 'gun 1';

/** How speeds are read in this session: by which gun, of what kind of throw, by hand or by radar. */
export function useSpeeds(overview: AthleteWork, me: Me, run: ReturnType<typeof useRun>, item: PlanItem, effort: number) {
  const dispatch = useAppDispatch();
  const { data: guns = [] } = api.useGunsQuery();
  const chosen = useAppSelector((s) => s.device.gun);
  const [thrownAs, setThrownAs] = useState<ThrownAs>({});
  const inUse = guns.filter((gun) => !gun.retired);
  const gun = inUse.find((g) => g.name === chosen) ?? inUse[0] ?? null;
  const name = gun?.name ?? SOME_GUN;
  const { reps, readings } = run.state;
  const open = reps
    .filter((rep) => isThrow(rep) && !readings.some((r) => r.rep === rep.id))
    .map((rep) => ({ id: rep.id, at: Date.parse(rep.at) }));
  const radar = useRadar(
    {
      age: overview.age,
      discipline: overview.athlete.discipline,
      own: [...overview.speeds, ...readings.map(toMph)],
      open,
    },
    (heard, rep) => run.speed(item, { speed: heard.speed, unit: heard.unit, effort, gun: name, rep, thrownAs }),
  );
  return {
    guns: inUse,
    gun: name,
    /** Unit of the gun in hand. */
    unit: gun?.unit ?? me.academy.speedUnit,
    setGun: (to: string) => dispatch(deviceSet({ gun: to })),
    thrownAs,
    setThrownAs: (more: ThrownAs) => setThrownAs({ ...thrownAs, ...more }),
    radar,
    /** A speed typed in: of the throw tapped last, unless that has its speed already. */
    typed: (speed: number) => {
      const last = [...reps].reverse().find((rep) => rep.drill === item.drill && isThrow(rep));
      const rep = last && open.some((o) => o.id === last.id) ? last.id : null;
      run.speed(item, { speed, unit: gun?.unit ?? me.academy.speedUnit, effort, gun: name, rep, thrownAs });
    },
  };
}

export type Speeds = ReturnType<typeof useSpeeds>;
