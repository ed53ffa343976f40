import type { ImportLook } from '@wrightonic/contract';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Figure } from '../../ui/controls';
import { download } from '../../ui/files';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { DELIMITERS } from './ImportChoices';

const ROWS_SHOWN = 12;

export function Preview({ look }: { readonly look: ImportLook }) {
  const units = useUnits();
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.l }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`${look.fileName}: ${look.rows} rows, ${look.encoding}, separated by ${DELIMITERS[look.delimiter] ?? look.delimiter}.`}
      </Text>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={String(look.good.length)} label="come in" tone="spruce" />
        <Figure value={String(look.bad.length)} label="have faults" tone={look.bad.length > 0 ? 'clay' : undefined} />
        <Figure value={String(look.duplicates.length)} label="are here already" />
      </Row>
      {look.bad.length > 0 ? (
        <View style={{ gap: SPACE.s }} testID="import-faults">
          {look.bad.slice(0, ROWS_SHOWN).map((row) => (
            <Text key={row.line} variant="bodySmall">
              {`Line ${row.line}: ${row.faults.map((f) => `${f.column}${f.written ? ` “${f.written}”` : ''} ${f.message}`).join('; ')}`}
            </Text>
          ))}
          {look.bad.length > ROWS_SHOWN ? (
            <Text variant="bodySmall">{`and ${look.bad.length - ROWS_SHOWN} more, all in the file below.`}</Text>
          ) : null}
          <Row>
            <Action
              kind="quiet"
              label="Save the faulty rows as a file"
              onPress={() => download(`faults-${look.fileName}`, 'text/csv', look.faultsCsv)}
              testID="download-faults"
            />
          </Row>
        </View>
      ) : null}
      {look.duplicates.slice(0, 6).map((d) => (
        <Text key={d.line} variant="bodySmall" style={{ color: palette.soft }}>
          {`Line ${d.line}: ${d.name} is in ${d.of} already, left out.`}
        </Text>
      ))}
      {look.good.slice(0, 6).map(({ line, entry }) => (
        <Text key={line} variant="bodySmall">
          {`Line ${line}: ${entry.name}, born ${entry.birthDate}, ${entry.discipline}, ${entry.throws === 'R' ? 'right' : 'left'}, ${units.height(entry.heightM)}, ${units.mass(entry.massKg)}`}
        </Text>
      ))}
    </View>
  );
}
