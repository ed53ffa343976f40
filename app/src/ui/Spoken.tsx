import { StyleSheet } from 'react-native';
import { Text } from 'react-native-paper';

/** Words for whoever listens: what a shape says to whoever looks. Read out, and not seen. */
export function Spoken({ children }: { readonly children: string }) {
  return <Text style={styles.unseen}>{children}</Text>;
}

const styles = StyleSheet.create({ unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden', opacity: 0 } });
