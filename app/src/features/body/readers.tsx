import type { ReadBy } from '@wrightonic/contract';
import { bodyTestById } from '@wrightonic/core';
import type { TestStep } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Choice } from '../../ui/controls';
import { Keypad } from '../../ui/Keypad';
import { Row } from '../../ui/layout';
import { NUMBER_FONT, RADIUS, SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { hasSensor } from './use-tilt';
import type { Tilt } from './use-tilt';

interface ReaderProps {
  readonly step: TestStep;
  /** What this athlete can show; beyond it a reading is a slip. */
  readonly range: { readonly low: number; readonly high: number };
  readonly onRead: (value: number, readBy: ReadBy) => void;
}

const isWithin = ({ low, high }: ReaderProps['range'], value: number): boolean => value >= low && value <= high;

function Big({ children, steady, testID }: { readonly children: string; readonly steady?: boolean; readonly testID?: string }) {
  const palette = usePalette();
  return (
    <Text
      testID={testID}
      style={{
        fontFamily: NUMBER_FONT,
        fontSize: 56,
        lineHeight: 60,
        fontWeight: '600',
        textAlign: 'center',
        fontVariant: ['tabular-nums'],
        color: steady === false ? palette.soft : palette.ink,
      }}
    >
      {children}
    </Text>
  );
}

/** The one large button that takes a reading. */
function Take({
  label,
  onPress,
  disabled,
  testID,
}: {
  readonly label: string;
  readonly onPress: () => void;
  readonly disabled?: boolean;
  readonly testID: string;
}) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => ({
        minHeight: 72,
        borderRadius: RADIUS,
        alignItems: 'center',
        justifyContent: 'center',
        backgroundColor: disabled ? palette.line : palette.spruce,
        opacity: pressed ? 0.85 : 1,
      })}
    >
      <Text variant="titleMedium" style={{ color: disabled ? palette.soft : palette.onSpruce }}>
        {label}
      </Text>
    </Pressable>
  );
}

/** Share of the last reading below which the limb has gone back. */
const BACK_SHARE = 0.5;
/** Degrees below which the limb is where it started. */
const AT_REST = 6;

/** Degrees by an inclinometer; without one, by a dial of large steps. */
function TiltReader({ onRead, tilt, usual, range }: ReaderProps & { readonly tilt: Tilt; readonly usual: number }) {
  const [typed, setTyped] = useState(usual);
  const [byHand, setByHand] = useState(false);
  // A second reading is a second try: the limb goes back before it counts.
  const [lastTaken, setLastTaken] = useState<number | null>(null);
  if (lastTaken !== null && tilt.deg !== null && tilt.deg < Math.max(AT_REST, BACK_SHARE * lastTaken)) setLastTaken(null);
  const steady = tilt.steady && tilt.deg !== null && tilt.deg >= AT_REST;
  if (tilt.source !== 'none' && !byHand)
    return (
      <View style={{ gap: SPACE.s }}>
        <Big steady={steady} testID="tilt-shown">
          {tilt.deg === null ? '–' : `${Math.round(tilt.deg)}°`}
        </Big>
        <Take
          label={
            tilt.deg === null
              ? 'Waiting for the inclinometer'
              : lastTaken === null
                ? `${steady ? 'Steady: keep' : 'Keep'} ${Math.round(tilt.deg)}°`
                : 'Kept. Back to the start for the next try'
          }
          disabled={tilt.deg === null || lastTaken !== null || !isWithin(range, Math.round(tilt.deg))}
          onPress={() => {
            setLastTaken(tilt.deg);
            onRead(Math.round(tilt.deg ?? 0), 'tilt');
          }}
          testID="take"
        />
        <Row style={{ justifyContent: 'center' }}>
          <Action kind="plain" label="Zero here" onPress={tilt.zero} />
          <Action kind="plain" label="By hand" onPress={() => setByHand(true)} />
        </Row>
      </View>
    );
  const turn = (by: number) => setTyped(Math.max(range.low, Math.min(range.high, typed + by)));
  return (
    <View style={{ gap: SPACE.s }}>
      <Row style={{ flexWrap: 'nowrap', justifyContent: 'space-between' }}>
        <Choice label="−5" chosen={false} onPress={() => turn(-5)} testID="dial-less-5" />
        <Choice label="−1" chosen={false} onPress={() => turn(-1)} testID="dial-less" />
        <Big>{`${typed}°`}</Big>
        <Choice label="+1" chosen={false} onPress={() => turn(1)} testID="dial-more" />
        <Choice label="+5" chosen={false} onPress={() => turn(5)} testID="dial-more-5" />
      </Row>
      <Take label={`Keep ${typed}°`} onPress={() => onRead(typed, 'dial')} testID="take" />
      <Row style={{ justifyContent: 'center' }}>
        {hasSensor() ? (
          <Action
            kind="plain"
            label="This phone’s tilt"
            onPress={() => void tilt.useSensor().then(() => setByHand(false))}
            testID="use-sensor"
          />
        ) : null}
        <Action
          kind="plain"
          label="Stand-in inclinometer"
          onPress={() => void tilt.useChannel().then(() => setByHand(false))}
          testID="use-stand-in"
        />
      </Row>
    </View>
  );
}

const TICK_MS = 100;

/** Seconds of a hold: one tap starts, one tap ends and keeps. */
function TimerReader({ onRead }: ReaderProps) {
  const [began, setBegan] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (began === null) return undefined;
    const timer = setInterval(() => setNow(performance.now()), TICK_MS);
    return () => clearInterval(timer);
  }, [began]);
  const seconds = began === null ? 0 : Math.max(0, (now - began) / 1000);
  const start = () => {
    setNow(performance.now());
    setBegan(performance.now());
  };
  const stop = () => {
    const held = (performance.now() - (began ?? 0)) / 1000;
    setBegan(null);
    onRead(Math.round(10 * held) / 10, 'timer');
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Big>{`${seconds.toFixed(1)} s`}</Big>
      <Take
        label={began === null ? 'Start the watch' : 'It sinks: stop and keep'}
        onPress={began === null ? start : stop}
        testID="take"
      />
    </View>
  );
}

function KeypadReader({ step, onRead, range }: ReaderProps) {
  const [text, setText] = useState('');
  const { unit } = bodyTestById(step.test);
  const units = useUnits();
  const typed = Number(text);
  const value = units.kept(typed, unit);
  const said = units.text(value, unit);
  return (
    <View style={{ gap: SPACE.s }}>
      <Big>{text === '' ? '–' : said}</Big>
      <Keypad text={text} onText={setText} />
      {text !== '' && !isWithin(range, value) ? (
        <Text variant="bodySmall" testID="out-of-range">
          {`A reading lies between ${units.text(range.low, unit)} and ${units.text(range.high, unit)}.`}
        </Text>
      ) : null}
      <Take
        label={text === '' ? 'Type the reading' : `Keep ${said}`}
        disabled={text === '' || !Number.isFinite(value) || !isWithin(range, value)}
        onPress={() => {
          onRead(value, 'keypad');
          setText('');
        }}
        testID="take"
      />
    </View>
  );
}

const SCORES = ['cannot', 'falls the last part', 'wobbles', 'clean'];

function StepsReader({ onRead }: ReaderProps) {
  return (
    <View style={{ gap: SPACE.s }}>
      {SCORES.map((words, score) => (
        <Take key={score} label={`${score}: ${words}`} onPress={() => onRead(score, 'steps')} testID={`score-${score}`} />
      ))}
    </View>
  );
}

/** The way in which this test is read. */
export function Reader({ tilt, usual, ...props }: ReaderProps & { readonly tilt: Tilt; readonly usual: number }) {
  const { readBy } = bodyTestById(props.step.test);
  // The next test starts anew.
  const at = `${props.step.test}-${props.step.side}`;
  if (readBy === 'tilt') return <TiltReader key={at} {...props} tilt={tilt} usual={usual} />;
  if (readBy === 'timer') return <TimerReader key={at} {...props} />;
  return readBy === 'steps' ? <StepsReader key={at} {...props} /> : <KeypadReader key={at} {...props} />;
}
