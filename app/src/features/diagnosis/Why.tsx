import type { DiagnosisRecord } from '@wrightonic/contract';
import { fromMph, termOf } from '@wrightonic/core';
import type { Evidence, Root, SpeedUnit, Units, Vocabulary } from '@wrightonic/core';
import { useState } from 'react';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { evidenceText } from '../../ui/words';
import { Pulls } from './Pulls';
import { Overrule } from './Rulings';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';

/** What cleared a rival; its own name need not be said again. */
const clearedText = (item: Evidence, units: Units, say: Vocabulary): string =>
  item.kind === 'eye' ? 'not seen' : evidenceText(item, units, say);

/** Shares of a speed below this are not worth a word, %. */
const WORTH_A_WORD = 0.4;

function worthText(root: Root, ownSpeedMph: number | null, unit: SpeedUnit): string | null {
  const { worth } = root;
  if (!worth || worth.high < WORTH_A_WORD) return null;
  const share = `up to ${worth.high.toFixed(0)} % of own speed in all, more likely about ${worth.expected.toFixed(1)} %`;
  const speed = (percent: number) => fromMph((ownSpeedMph! * percent) / 100, unit).toFixed(1);
  const inSpeed = ownSpeedMph === null ? '' : `: ${speed(worth.expected)} of ${speed(worth.high)} ${unit}`;
  return `Repairing it may give ${share}${inSpeed} (house range).`;
}

/** Why this root: each item with its pull, rivals that were ruled out, what it may be worth; and the coach's own word. */
export function Why({
  athlete,
  root,
  record,
  first,
}: {
  readonly athlete: string;
  readonly root: Root;
  readonly record: DiagnosisRecord;
  readonly first: boolean;
}) {
  const say = useVocabulary();
  const palette = usePalette();
  const { evidence, request } = record;
  const [ruling, setRuling] = useState(false);
  const { data: me } = api.useMeQuery();
  const units = useUnits();
  const worth = worthText(root, record.result.ownSpeedMph, me?.academy.speedUnit ?? 'mph');
  const cleared = root.cleared.map(
    (c) =>
      `${say.title(c.finding).toLowerCase()} (${[...new Set(c.evidence.flatMap((e) => (evidence[e] ? [clearedText(evidence[e].evidence, units, say)] : [])))].join(', ')})`,
  );
  return (
    <Section title="Because and against" note={first ? 'tap an item: where it came from' : say.title(root.finding)}>
      <Text variant="bodyMedium">{say.seen(root.finding)}</Text>
      {termOf(root.finding) ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>{`In the books: ${termOf(root.finding)}.`}</Text>
      ) : null}
      <Pulls athlete={athlete} pulls={[...root.because, ...root.against]} evidence={evidence} request={request} />
      {cleared.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>{`Ruled out: ${cleared.join('; ')}.`}</Text>
      ) : null}
      {worth ? <Text variant="bodySmall">{worth}</Text> : null}
      {ruling ? (
        <Overrule athlete={athlete} finding={root.finding} onDone={() => setRuling(false)} />
      ) : (
        <Row>
          <Action kind="plain" label="Overrule this" onPress={() => setRuling(true)} testID="overrule" />
        </Row>
      )}
    </Section>
  );
}
