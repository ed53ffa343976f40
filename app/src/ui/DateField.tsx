import { readDate } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from './controls';
import { Row } from './layout';
import { SPACE, usePalette } from './theme';
import { plainDay } from './words';
import { Field } from './Field';

interface Props {
  readonly label: string;
  /** The day, or '' while there is none. */
  readonly value: IsoDate;
  readonly onChange: (value: IsoDate) => void;
  /** Told whether something stands there that is no day, so that it is not taken for an empty field. */
  readonly onUnread?: (unread: boolean) => void;
  readonly testID?: string;
}

/** A day, written as people write days; what was understood stands below it. */
export function DateField({ label, value, onChange, onUnread, testID }: Props) {
  const palette = usePalette();
  const [text, setText] = useState(value);
  const read = readDate(text);
  const write = (written: string) => {
    setText(written);
    const now = readDate(written);
    onChange(now.kind === 'date' ? now.date : '');
    onUnread?.(now.kind !== 'date' && written.trim() !== '');
  };
  const choose = (day: IsoDate) => {
    onChange(day);
    onUnread?.(false);
  };
  return (
    <View style={{ gap: SPACE.xs }}>
      <Field label={label} value={text} onChangeText={write} placeholder="14.3.2011" testID={testID} />
      {read.kind === 'either' ? (
        <Row>
          {[read.dayFirst, read.monthFirst].map((day) => (
            <Choice key={day} label={plainDay(day)} chosen={value === day} onPress={() => choose(day)} />
          ))}
        </Row>
      ) : null}
      {read.kind !== 'either' && text.trim() !== '' ? (
        <Text variant="bodySmall" style={{ color: read.kind === 'none' ? palette.clay : palette.soft }}>
          {read.kind === 'date' ? plainDay(read.date) : 'Not a day yet. Write 14.3.2011, 3/14/2011 or 2011-03-14.'}
        </Text>
      ) : null}
    </View>
  );
}
