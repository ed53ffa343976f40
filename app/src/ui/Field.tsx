import { TextInput } from 'react-native-paper';
import type { TextInputProps } from 'react-native-paper';

/** A line to type in. Its label is drawn and read out alike. */
export function Field({ label, ...props }: Omit<TextInputProps, 'mode' | 'label'> & { readonly label: string }) {
  return <TextInput mode="outlined" label={label} aria-label={label} {...props} />;
}
