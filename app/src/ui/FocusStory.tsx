import type { FocusRecord } from '@wrightonic/contract';
import { Text } from 'react-native-paper';
import { usePalette } from './theme';
import { useUnits } from './units';
import { useVocabulary } from './vocabulary';
import { chanceText, evidenceText, weekDay } from './words';

/** Fewer reps than this move a number too little to be told. */
const TOLD_FROM = 40;

/** How likely a focus was there when it was chosen, and is now, and what has spoken of it since: one line for every page. */
export function FocusStory({ focus }: { readonly focus: FocusRecord }) {
  const palette = usePalette();
  const units = useUnits();
  const say = useVocabulary();
  const { now, then, since = [], worked = 0, startedOn } = focus;
  if (now === undefined) return null;
  const moved =
    then === null || then === undefined
      ? `Likely there now: ${chanceText(now)}.`
      : chanceText(then) === chanceText(now)
        ? `Likely there: ${chanceText(now)}, as when it was chosen on ${weekDay(startedOn)}.`
        : `Likely there: ${chanceText(then)} when it was chosen on ${weekDay(startedOn)}, ${chanceText(now)} now.`;
  const spoke = since.map((item) => `${evidenceText(item, units, say)}${item.on ? ` (${weekDay(item.on)})` : ''}`);
  const work =
    worked < TOLD_FROM
      ? []
      : [`${worked} good reps ${since.length > 0 ? 'on it after that' : 'on it'}, so that what was seen before counts for less`];
  const because = [...spoke, ...work].join('; ');
  return (
    <Text variant="bodySmall" style={{ color: palette.soft }} testID="focus-story">
      {`${moved}${because ? ` Since then: ${because}.` : ' Nothing has spoken of it since.'}`}
    </Text>
  );
}
