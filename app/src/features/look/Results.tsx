import { OUTCOME_WORDS, OUTCOMES, STYLE_ITEMS, STYLE_WORDS } from '@wrightonic/core';
import type { AthleteProfile, FindingId } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { Asked } from './Asked';
import { MissZone } from './MissZone';
import { SensorPeaks } from './SensorPeaks';
import type { Said } from './use-said';
import { useVocabulary } from '../../ui/vocabulary';

const FINE = [
  ['good', 'Fine'],
  ['poor', 'Not fine'],
] as const;
const SLOWLY = [
  ['yes', 'Can'],
  ['no', 'Cannot'],
] as const;
const DRILL = [
  ['drill-only', 'In the drill only'],
  ['both', 'On the mound too'],
  ['neither', 'In neither'],
] as const;
type InDrill = (typeof DRILL)[number][0];
const CLEAN: Record<InDrill, { readonly cleanInDrill: 'yes' | 'no'; readonly cleanOnMound: 'yes' | 'no' }> = {
  'drill-only': { cleanInDrill: 'yes', cleanOnMound: 'no' },
  both: { cleanInDrill: 'yes', cleanOnMound: 'yes' },
  neither: { cleanInDrill: 'no', cleanOnMound: 'no' },
};
/** Findings about which tries are asked: those seen, the first few. */
const TRIED = 4;

/** How it comes out, and what was tried: results, misses, style that is kept, slow tries, drills. */
export function Results({ athlete, said }: { readonly athlete: Pick<AthleteProfile, 'throws'>; readonly said: Said }) {
  const say = useVocabulary();
  const seen = [
    ...new Set(
      said.evidence.flatMap(({ evidence }): FindingId[] =>
        evidence.kind === 'eye' && evidence.answer === 'yes' ? [evidence.finding] : [],
      ),
    ),
  ].slice(0, TRIED);
  const miss = said.newest('miss');
  const sequence = said.newest('sequence');
  return (
    <>
      {OUTCOMES.map((key) => {
        const known = said.newest('outcome', (item) => item[key] !== undefined);
        return (
          <Asked
            key={key}
            question={`${OUTCOME_WORDS[key]}, for this age and level:`}
            answers={FINE}
            chosen={known?.item[key] ?? null}
            onAnswer={(answer) => said.say({ kind: 'outcome', [key]: answer }, known)}
            testID={`result-${key}`}
          />
        );
      })}
      <MissZone
        throws={athlete.throws}
        known={miss?.item.pattern ?? null}
        onPattern={(pattern) => said.say({ kind: 'miss', pattern }, miss)}
      />
      <SensorPeaks known={sequence?.item ?? null} onPeaks={(peaks) => said.say(peaks, sequence)} />
      <Section title="Leave it" note="style that nobody should “fix”">
        <Row>
          {STYLE_ITEMS.map((item) => {
            const known = said.newest('style', (other) => other.item === item);
            return (
              <Choice
                key={item}
                label={STYLE_WORDS[item]}
                chosen={known !== null}
                onPress={() => said.say({ kind: 'style', item }, known)}
                testID={`style-${item}`}
              />
            );
          })}
        </Row>
      </Section>
      <Section title="Tried" note="body, timing, or not carried over">
        {seen.length === 0 ? <Text variant="bodySmall">Nothing was seen yet that could be tried.</Text> : null}
        {seen.map((finding) => {
          const slow = said.newest('slow', (item) => item.finding === finding);
          const drill = said.newest('transfer', (item) => item.finding === finding);
          const clean =
            drill &&
            (Object.keys(CLEAN) as InDrill[]).find(
              (k) => CLEAN[k].cleanInDrill === drill.item.cleanInDrill && CLEAN[k].cleanOnMound === drill.item.cleanOnMound,
            );
          return (
            <View key={finding}>
              <Asked
                question={`${say.title(finding)}. Can they do it right slowly?`}
                answers={SLOWLY}
                chosen={slow?.item.canDoSlowly ?? null}
                onAnswer={(canDoSlowly) => said.say({ kind: 'slow', finding, canDoSlowly }, slow)}
                testID={`slow-${finding}`}
              />
              <Asked
                question="Where is it clean?"
                answers={DRILL}
                chosen={clean ?? null}
                onAnswer={(answer) => said.say({ kind: 'transfer', finding, ...CLEAN[answer] }, drill)}
                testID={`drill-${finding}`}
              />
            </View>
          );
        })}
      </Section>
    </>
  );
}
