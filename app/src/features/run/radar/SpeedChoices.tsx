import { PITCHES, SURFACES } from '@wrightonic/contract';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { RadarConnection } from './RadarPanel';
import type { Speeds } from './use-speeds';

/** Grams: what is thrown in the disciplines, and the usual lighter and heavier ones. */
const BALLS = [
  [142, 'Baseball'],
  [178, 'Softball 11 in'],
  [188, 'Softball 12 in'],
] as const;

function Asked({ name, children }: { readonly name: string; readonly children: React.ReactNode }) {
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodyMedium">{name}</Text>
      <Row>{children}</Row>
    </View>
  );
}

/** Once a session: which gun, and what is thrown. What is not said is as usual. */
export function SpeedChoices({ speeds }: { readonly speeds: Speeds }) {
  const palette = usePalette();
  const { guns, gun, thrownAs, setThrownAs } = speeds;
  return (
    <View style={{ gap: SPACE.m }}>
      {guns.length > 0 ? (
        <Asked name="Gun">
          {guns.map((one) => (
            <Choice
              key={one.id}
              label={`${one.name}, ${one.place}`}
              chosen={one.name === gun}
              onPress={() => speeds.setGun(one.name)}
              testID={`gun-${one.name}`}
            />
          ))}
        </Asked>
      ) : (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`Speeds are kept as “${gun}”. Guns with their place and angle are entered under Desk.`}
        </Text>
      )}
      <Asked name="Pitch">
        {PITCHES.map((pitch) => (
          <Choice
            key={pitch}
            label={pitch}
            chosen={thrownAs.pitch === pitch}
            onPress={() => setThrownAs({ pitch: thrownAs.pitch === pitch ? null : pitch })}
            testID={`pitch-${pitch}`}
          />
        ))}
      </Asked>
      <Asked name="Ball">
        {BALLS.map(([grams, name]) => (
          <Choice
            key={grams}
            label={`${name}, ${grams} g`}
            chosen={thrownAs.ballG === grams}
            onPress={() => setThrownAs({ ballG: thrownAs.ballG === grams ? null : grams })}
          />
        ))}
      </Asked>
      <Asked name="Thrown from">
        {SURFACES.map((surface) => (
          <Choice
            key={surface}
            label={surface}
            chosen={thrownAs.surface === surface}
            onPress={() => setThrownAs({ surface: thrownAs.surface === surface ? null : surface })}
          />
        ))}
      </Asked>
      <RadarConnection radar={speeds.radar} />
    </View>
  );
}
