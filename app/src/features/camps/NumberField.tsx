import { useState } from 'react';
import { Field } from '../../ui/Field';
import { readNumber } from '../../ui/read-number';

/** A whole number to type; what is not readable changes nothing. */
export function NumberField({
  label,
  value,
  onChange,
  testID,
}: {
  readonly label: string;
  readonly value: number | null;
  /** Null where the field is empty. */
  readonly onChange: (value: number | null) => void;
  readonly testID?: string;
}) {
  const [text, setText] = useState(value === null ? '' : String(value));
  const write = (written: string) => {
    setText(written);
    const read = readNumber(written);
    if (read === undefined) onChange(null);
    else if (read !== null && Number.isInteger(read) && read >= 0) onChange(read);
  };
  return <Field label={label} value={text} onChangeText={write} inputMode="numeric" testID={testID} />;
}
