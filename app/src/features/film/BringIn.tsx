import type { FilmSetup } from '@wrightonic/contract';
import { readDate } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { Action, Caution, Choice } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { RATES, rateSentence, setupWarnings, unevenWarning, VIEW_WORDS } from './set-up';
import type { Chosen } from './use-film';

interface Props {
  readonly chosen: Chosen;
  readonly today: string;
  readonly onKeep: (setup: FilmSetup, captureFps: number, on: string) => void;
  readonly onCancel: () => void;
  readonly busy: boolean;
}

const number = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(value) ? null : value;
};

/** Questions before the first frame; the answers stay with the clip. */
export function BringIn({ chosen, today, onKeep, onCancel, busy }: Props) {
  const palette = usePalette();
  const { info, file, poster } = chosen;
  const known = info.captureFps;
  const [view, setView] = useState<FilmSetup['view']>(chosen.view ?? 'side-open');
  const [rate, setRate] = useState<number>(known ?? Math.round(info.playFps));
  const [other, setOther] = useState('');
  const [distance, setDistance] = useState('');
  const [camera, setCamera] = useState('');
  const [level, setLevel] = useState(true);
  const [whole, setWhole] = useState(true);
  const [on, setOn] = useState(today);
  const setup: FilmSetup = { view, distanceM: number(distance), cameraHeightM: number(camera), level, whole };
  const says = rateSentence(info.frames, info.playFps, rate);
  const warnings = setupWarnings(setup);
  const uneven = rate > 0 ? unevenWarning(info.uneven, rate) : null;
  const far = setup.distanceM !== null && (setup.distanceM < 0.5 || setup.distanceM > 100);
  const high = setup.cameraHeightM !== null && (setup.cameraHeightM < 0 || setup.cameraHeightM > 10);
  const good = rate >= 5 && rate <= 2000 && !far && !high && readDate(on).kind === 'date';
  return (
    <View style={{ gap: SPACE.xl }}>
      <Row style={{ flexWrap: 'nowrap', gap: SPACE.m }}>
        {poster ? <img src={poster} alt="" width={120} style={{ borderRadius: 6 }} /> : null}
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text variant="titleMedium" numberOfLines={2}>
            {file.name}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {`${info.frames} frames, ${info.width} × ${info.height}, plays at ${Math.round(info.playFps)} a second`}
          </Text>
        </View>
      </Row>
      <Section title="Seen from">
        <Row>
          {(Object.keys(VIEW_WORDS) as FilmSetup['view'][]).map((v) => (
            <Choice key={v} label={VIEW_WORDS[v].name} chosen={v === view} onPress={() => setView(v)} testID={`view-${v}`} />
          ))}
        </Row>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {VIEW_WORDS[view].tells}
        </Text>
      </Section>
      <Section title="Filmed at" note="frames a second">
        <Row>
          {[...new Set([...RATES, ...(known ? [known] : []), Math.round(info.playFps)])]
            .sort((a, b) => a - b)
            .map((r) => (
              <Choice
                key={r}
                label={String(r)}
                chosen={r === rate && other === ''}
                onPress={() => {
                  setRate(r);
                  setOther('');
                }}
                testID={`rate-${r}`}
              />
            ))}
          <TextInput
            mode="outlined"
            dense
            label="Other"
            inputMode="decimal"
            value={other}
            onChangeText={(text) => {
              setOther(text);
              setRate(number(text) ?? 0);
            }}
            style={{ width: 96 }}
          />
        </Row>
        <Text variant="bodySmall" style={{ color: says.doubtful ? palette.clay : palette.soft }} testID="rate-says">
          {`${known ? 'The file says at which rate it was filmed. ' : 'The file does not say whether it was filmed in slow motion; the phone’s camera settings do. '}${rate > 0 ? says.text : ''}`}
        </Text>
      </Section>
      <Section title="The camera">
        <Row style={{ flexWrap: 'nowrap' }}>
          <TextInput
            mode="outlined"
            style={{ flex: 1, minWidth: 0 }}
            label="Distance, m"
            inputMode="decimal"
            value={distance}
            onChangeText={setDistance}
            error={far}
            testID="distance"
          />
          <TextInput
            mode="outlined"
            style={{ flex: 1, minWidth: 0 }}
            label="Height, m"
            inputMode="decimal"
            value={camera}
            onChangeText={setCamera}
            error={high}
            testID="camera-height"
          />
        </Row>
        <Row>
          <Choice label="Level" chosen={level} onPress={() => setLevel(!level)} testID="level" />
          <Choice label="Whole athlete, half the frame high" chosen={whole} onPress={() => setWhole(!whole)} testID="whole" />
        </Row>
        {[...(uneven ? [uneven] : []), ...warnings].map((w) => (
          <Caution key={w}>{w}</Caution>
        ))}
      </Section>
      <DateField label="Filmed on" value={on} onChange={setOn} testID="filmed-on" />
      <Row>
        <Action label="Keep this clip" disabled={!good} busy={busy} onPress={() => onKeep(setup, rate, on)} testID="keep-clip" />
        <Action kind="plain" label="Leave it" onPress={onCancel} />
      </Row>
    </View>
  );
}
