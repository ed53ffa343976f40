import type { CampReport } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../ui/controls';
import { Row } from '../ui/layout';
import { SPACE, usePalette } from '../ui/theme';
import { weekDay } from '../ui/words';
import { SheetPictures } from './SheetPictures';

/** Days of home work that are shown before one asks for all. */
const HOME_SHOWN = 3;

/** What goes home with one athlete: speed, what is worked on, what to remember, four weeks at home, pictures. */
export function CampReportView({ report }: { readonly report: CampReport }) {
  const palette = usePalette();
  const [all, setAll] = useState(false);
  const { speed, focus, drills, home, homeWhy, pictures } = report;
  const days = home ?? [];
  const label = { color: palette.soft, fontWeight: '600' } as const;
  return (
    <>
      <Text variant="bodyMedium">{speed.sentence}</Text>
      <Text variant="bodyMedium">
        <Text style={label}>Works on: </Text>
        {focus ?? 'no focus was chosen at the camp.'}
      </Text>
      <View>
        <Text style={label}>To remember</Text>
        {drills.length === 0 ? <Text variant="bodyMedium">No drill was logged at the camp.</Text> : null}
        {drills.map((d) => (
          <Text key={d.name} variant="bodyMedium">{`${d.name}: ${d.cue} (${d.good} of ${d.reps} good)`}</Text>
        ))}
      </View>
      <View style={{ gap: 2 }}>
        <Text style={label}>Four weeks at home</Text>
        {home === null ? <Text variant="bodyMedium">{homeWhy}</Text> : null}
        {(all ? days : days.slice(0, HOME_SHOWN)).map((day) => (
          <View key={day.date} style={{ paddingTop: SPACE.xs }}>
            <Text variant="bodyMedium">
              {`${weekDay(day.date)}, ${day.minutes} min, ${day.throws > 0 ? `${day.throws} throws` : 'no throws'}`}
            </Text>
            {day.items.map((item) => (
              <Text key={item.drill} variant="bodySmall" style={{ color: palette.soft }}>
                {`${item.drill}, ${item.dose}: ${item.cue}`}
              </Text>
            ))}
          </View>
        ))}
      </View>
      <SheetPictures pictures={pictures} />
      {!all && days.length > HOME_SHOWN ? (
        <Row>
          <Action kind="plain" label={`All ${days.length} days`} onPress={() => setAll(true)} />
        </Row>
      ) : null}
    </>
  );
}
