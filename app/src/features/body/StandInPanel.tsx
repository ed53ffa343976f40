import type { AthleteProfile, TestStep } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { inAddress } from '../../data/channel';
import { Action, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { SEED } from './CheckScreen';
import { BODIES, useStandIn } from './use-stand-in';
import type { BodyName } from './use-stand-in';
import type { Tilt } from './use-tilt';

/** The stand-in as a panel: the made-up athlete plays over the same stream as a device would. */
export function StandInPanel({
  tilt,
  step,
  athlete,
  on,
}: {
  readonly tilt: Tilt;
  readonly step: TestStep;
  readonly athlete: AthleteProfile;
  readonly on: string;
}) {
  const palette = usePalette();
  const [body, setBody] = useState<BodyName>('stiff-drive-hip');
  const [here, setHere] = useState(true);
  useStandIn(here ? tilt.channel : null, step, athlete, on, body, SEED);
  if (!tilt.channel) return null;
  const address = `/instrument${inAddress(tilt.channel)}`;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {here ? 'Stand-in inclinometer: a made-up athlete who' : 'The stand-in plays in its own tab.'}
      </Text>
      <Row>
        {here
          ? (Object.keys(BODIES) as BodyName[]).map((b) => (
              <Choice key={b} label={BODIES[b].name} chosen={body === b} onPress={() => setBody(b)} />
            ))
          : null}
        <Action
          kind="plain"
          label={here ? 'In a tab of its own' : 'Play it here again'}
          onPress={() => {
            if (here) window.open(address, '_blank');
            setHere(!here);
          }}
        />
      </Row>
    </View>
  );
}
