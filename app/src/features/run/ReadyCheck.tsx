import type { AthleteWork } from '@wrightonic/contract';
import { readyDose } from '@wrightonic/core';
import type { PainReport, Readiness } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { PainCheck } from '../../parts/PainCheck';
import { Caution, Choice } from '../../ui/controls';
import { Row, Screen } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

const SORENESS = [
  [0, 'Fresh'],
  [2, 'Stiff'],
  [5, 'Sore'],
  [8, 'Very sore'],
] as const;
const HOURS = [4, 5, 6, 7, 8, 9] as const;

type Said = Partial<Readiness>;
/** What was tapped, with the rest as it mostly is; null where nothing was. */
const readinessOf = (said: Said): Readiness | undefined =>
  Object.keys(said).length === 0 ? undefined : { soreness: 0, sleepH: null, warm: true, ...said };

function Asked({ question, children }: { readonly question: string; readonly children: React.ReactNode }) {
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodyMedium">{question}</Text>
      <Row>{children}</Row>
    </View>
  );
}

/** Before the work: how the body is today, and whether anything hurts. One tap when all is well. */
export function ReadyCheck({
  overview,
  today,
  onStart,
}: {
  readonly overview: AthleteWork;
  readonly today: string;
  readonly onStart: (painBefore: readonly PainReport[], readiness: Readiness | undefined) => void;
}) {
  const palette = usePalette();
  const [said, setSaid] = useState<Said>({});
  const set = (more: Said) => setSaid({ ...said, ...more });
  const fresh: Readiness = { soreness: 0, sleepH: null, warm: true };
  const { reasons } = readyDose(readinessOf(said) ?? fresh, overview.age, overview.lastThrow, today);
  return (
    <Screen width={640}>
      <View style={{ gap: SPACE.m }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          {`Before we start, ${overview.athlete.name}`}
        </Text>
        <Asked question="How is the throwing arm?">
          {SORENESS.map(([soreness, label]) => (
            <Choice
              key={soreness}
              label={label}
              chosen={said.soreness === soreness}
              onPress={() => set({ soreness })}
              testID={`soreness-${soreness}`}
            />
          ))}
        </Asked>
        <Asked question="Hours of sleep">
          {HOURS.map((sleepH) => (
            <Choice
              key={sleepH}
              label={sleepH === 9 ? '9 +' : String(sleepH)}
              chosen={said.sleepH === sleepH}
              onPress={() => set({ sleepH })}
              testID={`sleep-${sleepH}`}
            />
          ))}
        </Asked>
        <Asked question="Warm already?">
          <Choice label="Warm" chosen={said.warm === true} onPress={() => set({ warm: true })} testID="warm-yes" />
          <Choice label="Not yet" chosen={said.warm === false} onPress={() => set({ warm: false })} testID="warm-no" />
        </Asked>
        {reasons.map((reason) => (
          <Caution key={reason} testID="ready-reason">
            {reason}
          </Caution>
        ))}
        {reasons.length === 0 ? (
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            Nothing said is fine: then the day’s plan stands.
          </Text>
        ) : null}
      </View>
      <PainCheck
        question="Does anything hurt?"
        fine="Nothing hurts. Start"
        onFine={() => onStart([], readinessOf(said))}
        onPain={(pain) => onStart([pain], readinessOf(said))}
      />
    </Screen>
  );
}
