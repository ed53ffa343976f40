import { useRouter } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { Text } from 'react-native-paper';
import Icon from '../../ui/icons';
import { SPACE, TARGET, usePalette } from '../../ui/theme';
import type { WayUp } from './places';
import type { Href } from 'expo-router';

/** The way up, at the same place on every screen: an installed app has no browser’s button. */
export function Up({ to }: { readonly to: WayUp }) {
  const palette = usePalette();
  const router = useRouter();
  return (
    <Pressable
      role="link"
      aria-label={`Up to: ${to.name}`}
      onPress={() => router.navigate(to.path as Href)}
      testID="up"
      style={styles.row}
    >
      <Icon name="chevron-left" color={palette.spruce} size={26} />
      <Text variant="bodyMedium" style={{ color: palette.spruce, fontWeight: '600' }} numberOfLines={1}>
        {to.name}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    alignSelf: 'flex-start',
    minHeight: TARGET,
    marginBottom: -SPACE.m,
    paddingLeft: SPACE.s,
    paddingRight: SPACE.l,
  },
});
