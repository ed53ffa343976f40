import { PAIN_SIGNS } from '@wrightonic/core';
import type { PainReport, PainSign, PainSite } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Choice } from '../ui/controls';
import { Row } from '../ui/layout';
import { SPACE, usePalette } from '../ui/theme';

const SITES: readonly (readonly [PainSite, string])[] = [
  ['elbow', 'Elbow'],
  ['shoulder', 'Shoulder'],
  ['upper-arm', 'Upper arm'],
  ['forearm', 'Forearm'],
  ['wrist', 'Wrist'],
  ['back', 'Back'],
  ['hip', 'Hip'],
  ['groin', 'Groin'],
  ['knee', 'Knee'],
  ['ankle', 'Ankle'],
  ['foot', 'Foot'],
  ['other', 'Elsewhere'],
];
const SIGNS: Record<PainSign, string> = {
  numbness: 'Numbness',
  swelling: 'Swelling',
  night: 'Hurts at night',
  motion: 'Cannot move it fully',
};

interface Props {
  readonly question: string;
  /** Label of the answer that nothing hurts. */
  readonly fine: string;
  readonly onFine: () => void;
  readonly onPain: (pain: PainReport) => void;
}

/** Asked before and after each session: where, how much, and the four signs. Nothing is guessed from the answer. */
export function PainCheck({ question, fine, onFine, onPain }: Props) {
  const palette = usePalette();
  const [hurts, setHurts] = useState(false);
  const [site, setSite] = useState<PainSite | null>(null);
  const [score, setScore] = useState<number | null>(null);
  const [signs, setSigns] = useState<readonly PainSign[]>([]);
  return (
    <View style={{ gap: SPACE.l }}>
      <Text variant="titleLarge">{question}</Text>
      {!hurts ? (
        <View style={{ gap: SPACE.m }}>
          <Action label={fine} onPress={onFine} testID="nothing-hurts" />
          <Action kind="quiet" label="Something hurts" onPress={() => setHurts(true)} testID="something-hurts" />
        </View>
      ) : (
        <View style={{ gap: SPACE.l }}>
          <View style={{ gap: SPACE.s }}>
            <Text variant="bodyMedium">Where?</Text>
            <Row>
              {SITES.map(([id, name]) => (
                <Choice key={id} label={name} chosen={site === id} onPress={() => setSite(id)} testID={`pain-${id}`} />
              ))}
            </Row>
          </View>
          <View style={{ gap: SPACE.s }}>
            <Text variant="bodyMedium">How much, from 1 hardly to 10 worst?</Text>
            <Row>
              {Array.from({ length: 10 }, (_, i) => i + 1).map((n) => (
                <Choice key={n} label={String(n)} chosen={score === n} onPress={() => setScore(n)} testID={`pain-score-${n}`} />
              ))}
            </Row>
          </View>
          <View style={{ gap: SPACE.s }}>
            <Text variant="bodyMedium">Any of these?</Text>
            <Row>
              {PAIN_SIGNS.map((sign) => (
                <Choice
                  key={sign}
                  label={SIGNS[sign]}
                  chosen={signs.includes(sign)}
                  onPress={() => setSigns(signs.includes(sign) ? signs.filter((s) => s !== sign) : [...signs, sign])}
                />
              ))}
            </Row>
          </View>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            This is never a diagnosis. Elbow or shoulder pain ends throwing for today; more of it locks throwing until a licensed
            clinician clears it.
          </Text>
          <Row>
            <Action
              label="Report it"
              disabled={site === null || score === null}
              onPress={() => onPain({ site: site!, score: score!, signs })}
              testID="report-pain"
            />
            <Action kind="plain" label="Nothing hurts after all" onPress={() => setHurts(false)} />
          </Row>
        </View>
      )}
    </View>
  );
}
