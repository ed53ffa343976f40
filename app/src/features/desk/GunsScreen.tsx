import { GUN_PLACES } from '@wrightonic/contract';
import type { Gun, GunPlace } from '@wrightonic/contract';
import { ANGLE_REFUSED, ANGLE_WARNED } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Blank, Caution, Choice, LinkRow, Loading } from '../../ui/controls';
import { Field } from '../../ui/Field';
import { Row, Screen, Section } from '../../ui/layout';
import { readNumber } from '../../ui/read-number';
import { SPACE, usePalette } from '../../ui/theme';

const RAD = Math.PI / 180;
/** Share of the speed that a gun misses by its angle. */
const missedBy = (sideDeg: number, upDeg: number): number => 1 - Math.cos(sideDeg * RAD) * Math.cos(upDeg * RAD);

function GunForm({ gun, unit, onDone }: { readonly gun: Gun | null; readonly unit: Gun['unit']; readonly onDone: () => void }) {
  const palette = usePalette();
  const [put, { isLoading, error }] = api.usePutGunMutation();
  const [id] = useState(() => gun?.id ?? newId());
  const [name, setName] = useState(gun?.name ?? '');
  const [place, setPlace] = useState<GunPlace>(gun?.place ?? GUN_PLACES[0]);
  const [side, setSide] = useState(String(gun?.sideDeg ?? 0));
  const [up, setUp] = useState(String(gun?.upDeg ?? 0));
  const [reads, setReads] = useState<Gun['unit']>(gun?.unit ?? unit);
  const [offset, setOffset] = useState(gun?.offset == null ? '' : String(gun.offset));
  const [sideDeg, upDeg, known] = [readNumber(side), readNumber(up), readNumber(offset)];
  const unread = sideDeg == null || upDeg == null || known === null;
  const save = async (retired: boolean) => {
    if (sideDeg == null || upDeg == null || known === null) return;
    const body = { name: name.trim(), place, sideDeg, upDeg, unit: reads, offset: known ?? null, retired };
    if ((await put({ id, body })).data) onDone();
  };
  const angle = sideDeg == null || upDeg == null ? 0 : Math.acos(1 - missedBy(sideDeg, upDeg)) / RAD;
  return (
    <View style={{ gap: SPACE.m }}>
      {gun ? null : <Field label="Name of the gun" value={name} onChangeText={setName} testID="gun-name" />}
      <View style={{ gap: SPACE.xs }}>
        <Text variant="bodyMedium">It stands</Text>
        <Row>
          {GUN_PLACES.map((one) => (
            <Choice key={one} label={one} chosen={one === place} onPress={() => setPlace(one)} />
          ))}
        </Row>
      </View>
      <Text variant="bodyMedium">Its beam beside the way of the ball, degrees</Text>
      <Field label="To the side" value={side} onChangeText={setSide} inputMode="decimal" testID="gun-side" />
      <Field label="Up or down" value={up} onChangeText={setUp} inputMode="decimal" testID="gun-up" />
      {sideDeg != null && upDeg != null && angle > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }} testID="gun-missed">
          {`It reads ${(100 * missedBy(sideDeg, upDeg)).toFixed(1)} % too slow there; speeds are set right by that.`}
        </Text>
      ) : null}
      {angle > ANGLE_WARNED ? (
        <Caution>
          {angle > ANGLE_REFUSED
            ? `Above ${ANGLE_REFUSED}° its readings are left out of every trend.`
            : `Above ${ANGLE_WARNED}° a degree more or less changes the speed: put it nearer to the line if you can.`}
        </Caution>
      ) : null}
      <Row>
        {(['mph', 'km/h'] as const).map((one) => (
          <Choice key={one} label={one} chosen={one === reads} onPress={() => setReads(one)} />
        ))}
      </Row>
      <Field
        label={`Shows too much by, ${reads}, if you know`}
        value={offset}
        onChangeText={setOffset}
        inputMode="decimal"
        testID="gun-offset"
      />
      {unread ? (
        <Caution testID="gun-unread">A number is not readable: degrees and speeds are written like 7 or 7.5.</Caution>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          label="Keep the gun"
          onPress={() => void save(false)}
          busy={isLoading}
          disabled={unread || !name.trim()}
          testID="gun-save"
        />
        {gun && !gun.retired ? <Action kind="plain" label="Retire it" onPress={() => void save(true)} /> : null}
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
      {gun ? <Text variant="bodySmall">A gun keeps its name: its readings say so. A retired one keeps its readings.</Text> : null}
    </View>
  );
}

/** The academy's radar guns: where each stands, and what that does to its readings. */
export function GunsScreen() {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading } = api.useGunsQuery();
  const [open, setOpen] = useState<string | null>(null);
  if (isLoading || !me) return <Loading />;
  const unit = me.academy.speedUnit;
  return (
    <Screen width={760}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Radar guns
      </Text>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {open === 'new' ? (
        <Section title="New gun">
          <GunForm gun={null} unit={unit} onDone={() => setOpen(null)} />
        </Section>
      ) : (
        <Action label="Add a gun" onPress={() => setOpen('new')} testID="gun-new" />
      )}
      {data?.length === 0 && open !== 'new' ? (
        <Blank title="No guns yet">
          Two guns rarely read the same. Named, each one’s angle and offset are taken off its readings.
        </Blank>
      ) : null}
      {(data ?? []).map((gun) =>
        open === gun.id ? (
          <Section key={gun.id} title={gun.name}>
            <GunForm gun={gun} unit={unit} onDone={() => setOpen(null)} />
          </Section>
        ) : (
          <LinkRow key={gun.id} onPress={() => setOpen(gun.id)} testID={`gun-row-${gun.name}`}>
            <Text variant="titleMedium">{gun.retired ? `${gun.name}, retired` : gun.name}</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {`${gun.place}, ${gun.sideDeg}° to the side, ${gun.upDeg}° up, ${gun.unit}${gun.offset === null ? '' : `, shows ${gun.offset} too much`}`}
            </Text>
          </LinkRow>
        ),
      )}
    </Screen>
  );
}
