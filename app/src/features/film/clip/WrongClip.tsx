import type { ClipMarks } from '@wrightonic/contract';
import type { ClipFault, Mend } from '@wrightonic/core';
import { View } from 'react-native';
import { problemOf, api } from '../../../data/api';
import { Action, Caution } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { SPACE } from '../../../ui/theme';
import { VIEW_WORDS } from '../../../ui/views';
import type { ClipFacts } from './use-clip';

function mendText(mend: Mend): string {
  switch (mend.change) {
    case 'view':
      return `It was the ${VIEW_WORDS[mend.to].name.toLowerCase()}`;
    case 'rate':
      return `It was ${mend.to} frames a second`;
    case 'scale':
      return 'Scale it by the standing height';
  }
}

/** What contradicts itself in a clip, said before any number, with the mends one tap away. Nothing of it is evidence until then. */
export function WrongClip({
  athlete,
  clip,
  faults,
  marks,
  onChange,
}: {
  readonly athlete: string;
  readonly clip: ClipFacts;
  readonly faults: readonly ClipFault[];
  readonly marks: ClipMarks;
  /** null where nothing may be changed. */
  readonly onChange: ((next: ClipMarks) => void) | null;
}) {
  const [put, { isLoading, error }] = api.useMendClipMutation();
  const mend = (to: Mend) => {
    if (to.change === 'scale') {
      const { scale } = marks;
      const pixels = scale ? Math.hypot(scale.to[0] - scale.from[0], scale.to[1] - scale.from[1]) : 0;
      if (scale) onChange?.({ ...marks, scale: { ...scale, metres: Math.round(1000 * to.to * pixels) / 1000 } });
      return;
    }
    const body = to.change === 'rate' ? { captureFps: to.to } : { view: to.to };
    void put({ athlete, id: clip.id, body });
  };
  return (
    <View style={{ gap: SPACE.s }} testID="wrong-clip">
      {faults.map(({ kind, why, mends }) => (
        <View key={kind} style={{ gap: SPACE.s }}>
          <Caution>{`${why[0]!.toUpperCase()}${why.slice(1)}. Until then nothing of this clip counts.`}</Caution>
          {onChange && mends.length > 0 ? (
            <Row>
              {mends.map((one) => (
                <Action
                  key={`${one.change}:${one.to}`}
                  kind="quiet"
                  label={mendText(one)}
                  busy={isLoading}
                  onPress={() => mend(one)}
                  testID={`mend-${one.change}-${one.to}`}
                />
              ))}
            </Row>
          ) : null}
        </View>
      ))}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
    </View>
  );
}
