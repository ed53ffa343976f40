import { isStrike, BALL_RADIUS_CM, zoneFor } from '@wrightonic/core';
import type { AthleteProfile, Spot } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { Plate } from '../../ui/Plate';
import { SPACE, usePalette } from '../../ui/theme';

interface Props {
  readonly athlete: Pick<AthleteProfile, 'throws' | 'heightM' | 'discipline'>;
  /** Where is aimed until somebody says otherwise. */
  readonly target: Spot | null;
  readonly onTarget: (target: Spot | null) => void;
  /** Throws of this session with a spot, and the last of them. */
  readonly noted: readonly { readonly actual: Spot; readonly zone: readonly [number, number] }[];
  readonly onSpot: (actual: Spot, zone: readonly [low: number, high: number]) => void;
  readonly onClose: () => void;
}

/** Target once, then one tap a throw: where it went. */
export function SpotPad({ athlete, target, onTarget, noted, onSpot, onClose }: Props) {
  const palette = usePalette();
  const zone = zoneFor(athlete.heightM);
  const [shown, setShown] = useState<Spot | null>(null);
  const strikes = noted.filter((n) => isStrike(n, BALL_RADIUS_CM[athlete.discipline])).length;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="titleMedium" role="heading" aria-level={2} testID="spot-question">
        {target === null ? 'Where is the target?' : 'Where did it go?'}
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        As the pitcher sees the plate.
        {noted.length > 0 ? ` ${strikes} of ${noted.length} ${noted.length === 1 ? 'throw' : 'throws'} in the zone.` : ''}
      </Text>
      <Plate
        zone={zone}
        throws={athlete.throws}
        target={target}
        last={shown}
        onTap={(spot) => {
          if (target === null) {
            onTarget(spot);
            return;
          }
          setShown(spot);
          onSpot(spot, zone);
        }}
      />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <View style={{ flex: 1 }}>
          <Action
            kind="quiet"
            label="New target"
            disabled={target === null}
            onPress={() => {
              setShown(null);
              onTarget(null);
            }}
            testID="new-target"
          />
        </View>
        <View style={{ flex: 1 }}>
          <Action kind="quiet" label="Put it away" onPress={onClose} testID="close-spot" />
        </View>
      </View>
    </View>
  );
}
