import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { StationNow } from '../../parts/camp-board';
import { Action } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { NUMBER_FONT, SPACE, usePalette } from '../../ui/theme';

/** From this width on the board is read across a barn: names as large as the room for them allows. */
export const FAR_WIDTH = 1500;
/** So many athletes at once have room for the largest letters. */
const FEW = 32;

/** Sizes of the board's letters, px. */
export interface Sizes {
  readonly head: number;
  readonly name: number;
  readonly small: number;
  readonly tile: number;
}
const NEAR: Sizes = { head: 18, name: 17, small: 13, tile: 210 };
const FAR: Sizes = { head: 28, name: 26, small: 18, tile: 330 };
const FAR_AND_FEW: Sizes = { head: 36, name: 34, small: 22, tile: 400 };
export const sizesFor = (width: number, athletes: number): Sizes =>
  width < FAR_WIDTH ? NEAR : athletes <= FEW ? FAR_AND_FEW : FAR;

interface TileProps {
  readonly at: StationNow;
  readonly next: StationNow | null;
  readonly sizes: Sizes;
  /** What whoever looks may do with those who are there. */
  readonly actions: readonly { readonly label: string; readonly onPress: () => void; readonly testID: string }[];
}

/** A station of the board: who is there, who comes then. */
export function StationTile({ at, next, sizes, actions }: TileProps) {
  const palette = usePalette();
  const { station, campers, closed } = at;
  const { head, name, small, tile } = sizes;
  return (
    <View
      style={[styles.tile, { borderColor: closed ? palette.clay : palette.line, backgroundColor: palette.sheet, minWidth: tile }]}
    >
      <View style={styles.head}>
        <Text
          style={{ fontSize: head, lineHeight: 1.25 * head, fontWeight: '600', color: palette.spruce, flexShrink: 1 }}
          role="heading"
          aria-level={3}
        >
          {station.name}
        </Text>
        <Text style={[styles.number, { fontSize: head, color: palette.soft }]}>
          {`${campers.length}/${Math.min(station.capacity, station.kit ?? station.capacity)}`}
        </Text>
      </View>
      {station.place === null ? null : <Text style={{ fontSize: small, color: palette.soft }}>{station.place}</Text>}
      {closed ? <Text style={{ fontSize: name, color: palette.clay, fontWeight: '600' }}>closed</Text> : null}
      {campers.map((c) => (
        <Text key={c.athlete} style={{ fontSize: name, lineHeight: 1.25 * name, color: palette.ink }}>
          {`${c.name}${c.locked === null ? '' : ' · no throwing'}`}
        </Text>
      ))}
      {!closed && campers.length === 0 ? <Text style={{ fontSize: name, color: palette.soft }}>nobody</Text> : null}
      {next && next.campers.length > 0 ? (
        <Text style={{ fontSize: small, lineHeight: 1.35 * small, color: palette.soft, paddingTop: SPACE.xs }}>
          {`Then: ${next.campers.map((c) => c.name).join(', ')}`}
        </Text>
      ) : null}
      {!closed && campers.length > 0 && actions.length > 0 ? (
        <Row>
          {actions.map((action) => (
            <Action key={action.label} kind="plain" {...action} />
          ))}
        </Row>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  tile: { flexGrow: 1, flexBasis: 0, borderWidth: 1.5, borderRadius: 4, padding: SPACE.m, gap: 2 },
  head: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s },
  number: { fontFamily: NUMBER_FONT, fontWeight: '600', fontVariant: ['tabular-nums'] },
});
