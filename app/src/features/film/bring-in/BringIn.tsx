import type { FilmSetup } from '@wrightonic/contract';
import { readDate } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Caution, Choice } from '../../../ui/controls';
import { DateField } from '../../../ui/DateField';
import { Row, Section } from '../../../ui/layout';
import { readNumber } from '../../../ui/read-number';
import { SPACE, usePalette } from '../../../ui/theme';
import { useUnits } from '../../../ui/units';
import { RATES, rateSentence, setupWarnings, unevenWarning } from '../media/set-up';
import { VIEW_WORDS } from '../../../ui/views';
import type { Chosen } from './use-film';
import { Field } from '../../../ui/Field';

interface Props {
  readonly chosen: Chosen;
  readonly today: string;
  readonly onKeep: (setup: FilmSetup, captureFps: number, on: string) => void;
  readonly onCancel: () => void;
  readonly busy: boolean;
}

/** How hard throws are filmed, percent: easy, as a flagged thrower does, nearly and fully as in a game. */
const EFFORTS = [60, 75, 85, 95, 100] as const;
/** How far from the athlete and how high a camera may stand, metres. */
const DISTANCES_M = { low: 0.5, high: 100 };
const HEIGHTS_M = { low: 0, high: 10 };
const isWithin = ({ low, high }: typeof HEIGHTS_M, value: number): boolean => value >= low && value <= high;

/** Questions before the first frame; the answers stay with the clip. */
export function BringIn({ chosen, today, onKeep, onCancel, busy }: Props) {
  const palette = usePalette();
  const units = useUnits();
  const { info, file, poster } = chosen;
  const known = info.captureFps;
  const [view, setView] = useState<FilmSetup['view']>(chosen.view ?? 'side-open');
  const [rate, setRate] = useState<number>(known ?? Math.round(info.playFps));
  const [other, setOther] = useState('');
  const [distance, setDistance] = useState('');
  const [camera, setCamera] = useState('');
  const [level, setLevel] = useState(true);
  const [whole, setWhole] = useState(true);
  const [effort, setEffort] = useState<number | null>(null);
  const [on, setOn] = useState(today);
  // What cannot be read is NaN, and lies within nothing.
  const lengthOf = (text: string): number | null => {
    const typed = readNumber(text);
    return typed === undefined ? null : units.metres(typed ?? NaN);
  };
  const setup: FilmSetup = {
    view,
    distanceM: lengthOf(distance),
    cameraHeightM: lengthOf(camera),
    level,
    whole,
    effort,
  };
  const says = rateSentence(info.frames, info.playFps, rate);
  const warnings = setupWarnings(setup, units);
  const uneven = rate > 0 ? unevenWarning(info.uneven, rate) : null;
  const far = setup.distanceM !== null && !isWithin(DISTANCES_M, setup.distanceM);
  const high = setup.cameraHeightM !== null && !isWithin(HEIGHTS_M, setup.cameraHeightM);
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
          <Field
            dense
            label="Other"
            inputMode="decimal"
            value={other}
            onChangeText={(text) => {
              setOther(text);
              setRate(readNumber(text) ?? 0);
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
          <Field
            style={{ flex: 1, minWidth: 0 }}
            label={`Distance, ${units.longUnit}`}
            inputMode="decimal"
            value={distance}
            onChangeText={setDistance}
            error={far}
            testID="distance"
          />
          <Field
            style={{ flex: 1, minWidth: 0 }}
            label={`Height, ${units.longUnit}`}
            inputMode="decimal"
            value={camera}
            onChangeText={setCamera}
            error={high}
            testID="camera-height"
          />
        </Row>
        {far || high ? (
          <Caution testID="camera-unread">
            {`Write the ${far ? 'distance' : 'height'} as a number between ${units.long(far ? DISTANCES_M.low : HEIGHTS_M.low)} and ${units.long(far ? DISTANCES_M.high : HEIGHTS_M.high)}, or leave it empty.`}
          </Caution>
        ) : null}
        <Row>
          <Choice label="Level" chosen={level} onPress={() => setLevel(!level)} testID="level" />
          <Choice label="Whole athlete, half the frame high" chosen={whole} onPress={() => setWhole(!whole)} testID="whole" />
        </Row>
        {[...(uneven ? [uneven] : []), ...warnings].map((w) => (
          <Caution key={w}>{w}</Caution>
        ))}
      </Section>
      <Section title="Thrown at" note="effort; without it a clip cannot tell that a focus is done">
        <Row>
          {EFFORTS.map((e) => (
            <Choice
              key={e}
              label={`${e} %`}
              chosen={e === effort}
              onPress={() => setEffort(e === effort ? null : e)}
              testID={`effort-${e}`}
            />
          ))}
        </Row>
      </Section>
      <DateField label="Filmed on" value={on} onChange={setOn} testID="filmed-on" />
      <Row>
        <Action label="Keep this clip" disabled={!good} busy={busy} onPress={() => onKeep(setup, rate, on)} testID="keep-clip" />
        <Action kind="plain" label="Leave it" onPress={onCancel} />
      </Row>
    </View>
  );
}
