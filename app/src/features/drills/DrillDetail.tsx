import { may } from '@wrightonic/contract';
import { baseOf, drillById, drillPoses, isCopy, kitName } from '@wrightonic/core';
import type { Discipline, Drill } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { Mannequin } from '../../ui/Mannequin';
import { printPage } from '../../ui/print';
import { SPACE, usePalette } from '../../ui/theme';
import { Helped } from './Helped';
import { OwnDrillForm } from './OwnDrillForm';
import { useLibrary } from '../../data/use-library';
import { useVocabulary } from '../../ui/vocabulary';

interface DetailProps {
  readonly drill: Drill;
  readonly discipline: Discipline;
  /** A copy has been made: it is to be shown. */
  readonly onShow: (drill: string) => void;
}

/** All of a drill: moving figure, steps, what good looks like, cheats and what stops them. */
export function DrillDetail({ drill, discipline, onShow }: DetailProps) {
  const say = useVocabulary();
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { library } = useLibrary();
  const [writing, setWriting] = useState<'words' | 'copy' | null>(null);
  if (writing)
    return (
      <OwnDrillForm
        drill={drill.id}
        copying={writing === 'copy'}
        onDone={(shown) => {
          setWriting(null);
          if (shown !== drill.id) onShow(shown);
        }}
      />
    );
  const copy = isCopy(drill.id);
  return (
    <View style={{ gap: SPACE.s, paddingBottom: SPACE.m }}>
      <Mannequin
        poses={drillPoses(drill, discipline)}
        aids={drill.equipment}
        throws="R"
        moving
        height={260}
        label={`Figure: ${drill.name}`}
      />
      <Text variant="bodyMedium">{drill.setup}</Text>
      {drill.steps.map((step, i) => (
        <Text key={step} variant="bodyMedium">{`${i + 1}. ${step}`}</Text>
      ))}
      <Text variant="bodyMedium">
        <Text style={{ fontWeight: '600' }}>Good looks like: </Text>
        {drill.success}.
      </Text>
      <Text variant="bodyMedium">
        <Text style={{ fontWeight: '600' }}>Cue: </Text>
        {`“${drill.cue.external}”, or “${drill.cue.internal}”. You should feel: ${drill.feel.toLowerCase()}.`}
      </Text>
      {drill.cheats.map((c) => (
        <Text key={c.cheat} variant="bodySmall">{`${c.label}: ${c.counter}.`}</Text>
      ))}
      {drill.aids.map((aid) => (
        <Text key={aid.kit} variant="bodySmall">{`Without the ${kitName(aid.kit)}: ${aid.without}.`}</Text>
      ))}
      {drill.cautions.map((c) => (
        <Text key={c} variant="bodySmall" style={{ color: palette.clay }}>{`Caution: ${c}`}</Text>
      ))}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {[
          copy ? `Our own, after “${drillById(baseOf(drill.id)).name}”.` : '',
          drill.treats.length > 0 ? `Treats ${drill.treats.map((t) => say.title(t.finding).toLowerCase()).join('; ')}.` : '',
          drill.strain === 'none'
            ? ''
            : drill.strain === 'jump'
              ? 'Jumps: not the day before a game.'
              : 'Heavy for the legs: not the day before a game.',
          `Ages from ${drill.minAge}.`,
          drill.regressTo ? `Easier: “${library.drill(drill.regressTo).name}”.` : '',
          drill.progressTo ? `Harder: “${library.drill(drill.progressTo).name}”.` : '',
        ]
          .filter(Boolean)
          .join(' ')}
      </Text>
      <Helped drill={drill} discipline={discipline} />
      <Row>
        {me && may(me.role, 'changeSettings') ? (
          <>
            <Choice
              label={copy ? 'Change it' : 'Our own words'}
              chosen={false}
              onPress={() => setWriting('words')}
              testID="own-words"
            />
            {drill.part === 'test' ? null : (
              <Choice label="Copy and change" chosen={false} onPress={() => setWriting('copy')} testID="own-copy" />
            )}
          </>
        ) : null}
        <Choice label="Print the card" chosen={false} onPress={printPage} />
      </Row>
    </View>
  );
}
