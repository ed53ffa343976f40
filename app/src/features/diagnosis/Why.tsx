import type { DiagnosisRecord } from '@wrightonic/contract';
import { findingById } from '@wrightonic/core';
import type { Evidence, Root } from '@wrightonic/core';
import { useState } from 'react';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { evidenceText, titleOf } from '../../ui/words';
import { Pulls } from './Pulls';
import { Overrule } from './Rulings';

/** What cleared a rival; its own name need not be said again. */
const clearedText = (item: Evidence): string => (item.kind === 'eye' ? 'not seen' : evidenceText(item));

/** So exact as a house range is. */
const mph = (value: number): string => value.toFixed(value < 2 ? 1 : 0);

function worthText(root: Root): string | null {
  const worth = root.worthMph;
  return worth && worth.high >= 0.3
    ? `Repairing it may give up to ${mph(worth.high)} mph in all, more likely about ${mph(worth.expected)} (house range).`
    : null;
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
  const palette = usePalette();
  const { evidence, request } = record;
  const [ruling, setRuling] = useState(false);
  const cleared = root.cleared.map(
    (c) =>
      `${titleOf(c.finding).toLowerCase()} (${[...new Set(c.evidence.flatMap((e) => (evidence[e] ? [clearedText(evidence[e].evidence)] : [])))].join(', ')})`,
  );
  return (
    <Section title="Because and against" note={first ? 'tap an item: where it came from' : titleOf(root.finding)}>
      <Text variant="bodyMedium">{findingById(root.finding).seen}</Text>
      <Pulls athlete={athlete} pulls={[...root.because, ...root.against]} evidence={evidence} request={request} />
      {cleared.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>{`Ruled out: ${cleared.join('; ')}.`}</Text>
      ) : null}
      {worthText(root) ? <Text variant="bodySmall">{worthText(root)}</Text> : null}
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
