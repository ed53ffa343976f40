import type { AthleteWork } from '@wrightonic/contract';
import { drillPoses } from '@wrightonic/core';
import type { PlanItem } from '@wrightonic/core';
import { memo } from 'react';
import { useWindowDimensions } from 'react-native';
import { useLibrary } from '../../data/use-library';
import { drawnKit } from '../../parts/LeadDrill';
import { Mannequin } from '../../ui/Mannequin';
import { useWide } from '../../ui/layout';

/** A figure that teaches takes a third of a phone's height, and what is left of it on a short one. */
const SHARE = 0.3;
const MOST = { phone: 280, wide: 400 } as const;
/** What stands above and below it on a phone. */
const BESIDE = 470;

/** The drill as it is done, moving, with the kit of today. */
export const DrillFigure = memo(function DrillFigure({
  item,
  overview,
  most = MOST.wide,
}: {
  readonly item: PlanItem;
  readonly overview: AthleteWork;
  /** Height on a wide screen, px. */
  readonly most?: number;
}) {
  const wide = useWide();
  const { height } = useWindowDimensions();
  const drill = useLibrary().drill(item.drill, item.words);
  const { discipline, throws, heightM } = overview.athlete;
  const room = Math.max(136, Math.min(MOST.phone, Math.max(SHARE * height, height - BESIDE)));
  return (
    <Mannequin
      poses={drillPoses(drill, discipline)}
      aids={drawnKit(drill, item)}
      throws={throws}
      heightM={heightM}
      age={overview.age}
      moving
      height={wide ? most : room}
      label={`Figure: ${drill.name}`}
    />
  );
});
