import type { FocusRecord } from '@wrightonic/contract';
import { Text } from 'react-native-paper';
import { usePalette } from './theme';
import { useUnits } from './units';
import { useVocabulary } from './vocabulary';
import { chanceText, evidenceText, weekDay } from './words';

/** How likely a focus was there when it was chosen, and is now, and what has spoken of it since: one line for every page. */
export function FocusStory({ focus }: { readonly focus: FocusRecord }) {
  const palette = usePalette();
  const units = useUnits();
  const say = useVocabulary();
  const { now, then, since = [], startedOn } = focus;
  if (now === undefined) return null;
  const moved =
    then === null || then === undefined
      ? `Likely there now: ${chanceText(now)}.`
      : chanceText(then) === chanceText(now)
        ? `Likely there: ${chanceText(now)}, as when it was chosen on ${weekDay(startedOn)}.`
        : `Likely there: ${chanceText(then)} when it was chosen on ${weekDay(startedOn)}, ${chanceText(now)} now.`;
  const because = since.map((item) => `${evidenceText(item, units, say)}${item.on ? ` (${weekDay(item.on)})` : ''}`).join('; ');
  return (
    <Text variant="bodySmall" style={{ color: palette.soft }} testID="focus-story">
      {`${moved}${because ? ` Since then: ${because}.` : ' Nothing has spoken of it since.'}`}
    </Text>
  );
}
