import { SIMULATED_FAULTS } from '@wrightonic/core/simulate';
import type { AthleteProfile } from '@wrightonic/core';
import type { Faults, SimulatedFault } from '@wrightonic/core/simulate';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Caution, Choice } from '../../../ui/controls';
import { Row, Section } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { beside } from '../../../data/beside';
import type { Beside } from '../../../data/beside';
import type { RenderWanted } from '../stand-in/render';
import type { Rendering } from '../stand-in/render.worker';
import { VIEW_WORDS } from '../../../ui/views';
import { useVocabulary } from '../../../ui/vocabulary';

interface Props {
  readonly athlete: AthleteProfile;
  readonly onClip: (file: File | null, view?: RenderWanted['view']) => void;
}

const VIEWS = ['side-open', 'side-closed', 'front', 'rear'] as const satisfies RenderWanted['view'][];
const RATES = [60, 120, 240] as const;
const SEEDS = 100_000;

/** The stand-in camera: a made-up athlete of this one's size throws, to try marking and tracking on. */
export function MadeUpClip({ athlete, onClip }: Props) {
  const say = useVocabulary();
  const palette = usePalette();
  const worker = useRef<Beside<Rendering> | null>(null);
  const [view, setView] = useState<(typeof VIEWS)[number]>('side-open');
  const [captureFps, setRate] = useState<number>(120);
  const [fault, setFault] = useState<SimulatedFault | null>(null);
  const [state, setState] = useState<'asking' | 'making' | 'failed'>('asking');
  useEffect(() => () => worker.current?.end(), []);
  const make = () => {
    setState('making');
    const faults: Faults = fault ? { [fault]: 0.9 } : {};
    // Another made-up athlete each time; nothing else hangs on the number.
    const seed = Math.floor(Math.random() * SEEDS);
    const made = beside<Rendering>(new Worker(new URL('../stand-in/render.worker', window.location.href)));
    worker.current = made;
    const wanted: RenderWanted = {
      athlete: {
        discipline: athlete.discipline,
        throws: athlete.throws,
        birthDate: athlete.birthDate,
        heightM: athlete.heightM,
        massKg: athlete.massKg,
        level: athlete.level,
      },
      seed,
      faults,
      view,
      captureFps,
      playFps: 30,
      width: 960,
      height: 540,
      format: 'webm',
    };
    made
      .ask((api) => api.render(wanted))
      .then((bytes) => onClip(new File([bytes], `made-up-${view}-${captureFps}.webm`, { type: 'video/webm' }), view))
      .catch(() => setState('failed'));
  };
  return (
    <View style={{ gap: SPACE.l }}>
      <Text variant="bodyMedium">
        A made-up athlete of the same size and hand throws before a stand-in camera. Nothing that is measured on it is about a
        real person; remove the clip when you are done.
      </Text>
      <Section title="Seen from">
        <Row>
          {VIEWS.map((v) => (
            <Choice key={v} label={VIEW_WORDS[v].name} chosen={v === view} onPress={() => setView(v)} testID={`made-${v}`} />
          ))}
        </Row>
      </Section>
      <Section title="Frames a second">
        <Row>
          {RATES.map((r) => (
            <Choice key={r} label={String(r)} chosen={r === captureFps} onPress={() => setRate(r)} testID={`made-${r}`} />
          ))}
        </Row>
      </Section>
      <Section title="What to show">
        <Row>
          <Choice label="A clean throw" chosen={fault === null} onPress={() => setFault(null)} />
          {SIMULATED_FAULTS[athlete.discipline].map((f) => (
            <Choice key={f} label={say.title(f)} chosen={f === fault} onPress={() => setFault(f)} testID={`made-${f}`} />
          ))}
        </Row>
      </Section>
      {state === 'failed' ? <Caution>This browser cannot make a video. Bring in a clip instead.</Caution> : null}
      <Row>
        <Action label="Film it" busy={state === 'making'} onPress={make} testID="make-clip" />
        <Action kind="plain" label="Leave it" onPress={() => onClip(null)} />
      </Row>
      {state === 'making' ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          Making the clip takes a few seconds.
        </Text>
      ) : null}
    </View>
  );
}
