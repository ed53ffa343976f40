import { drillPoses, kitName, practiceAt, RUNG_NAMES } from '@wrightonic/core';
import type { Discipline, Hand, PlanItem, PlanSession, Units } from '@wrightonic/core';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import Icon from '../ui/icons';
import { Mannequin } from '../ui/Mannequin';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../ui/theme';
import { useLibrary } from '../data/use-library';
import { drawnKit } from './LeadDrill';
import { useWordsFor } from '../ui/use-words';
import { useUnits } from '../ui/units';
import { useVocabulary } from '../ui/vocabulary';

interface Body {
  readonly discipline: Discipline;
  readonly throws: Hand;
  readonly age: number;
}

export function doseText(item: PlanItem, units: Units): string {
  const hold = item.holdS ? `, held ${item.holdS} s` : '';
  const effort = item.throws > 0 ? `, ${item.effort[0]}–${item.effort[1]} %` : '';
  const far = item.distanceM ?? 0;
  const distance = far > 0 ? `, ${units.distance(far)}` : '';
  return `${item.sets} × ${item.reps}${hold}${effort}${distance}`;
}

function Detail({ name, children }: { readonly name: string; readonly children: string }) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.m }}>
      <Text variant="bodySmall" style={{ width: 84, color: palette.soft }}>
        {name}
      </Text>
      <Text variant="bodySmall" style={{ flex: 1 }}>
        {children}
      </Text>
    </View>
  );
}

/** For whom a session is shown: a coach sees why each item is there, an athlete how it is done. */
type Told = 'coach' | 'athlete';

interface Shown extends Body {
  readonly told: Told;
  /** What can be done with an item, below it. */
  readonly extra?: (item: PlanItem) => ReactNode;
}

interface Planned {
  readonly item: PlanItem;
  /** Whether the session has whole throws to take turns with. */
  readonly turns: boolean;
}

/** What is practised, and so judged. */
const JUDGED: ReadonlySet<PlanItem['role']> = new Set(['main', 'support', 'pinned']);

/** How a drill is done, in words for whoever does it. */
function HowToDo({ item, age, told, turns }: Pick<Shown, 'age' | 'told'> & Planned) {
  const drill = useLibrary().drill(item.drill, item.words);
  const inWords = useWordsFor(age);
  const removed = item.constraints.remove[0];
  const practice = JUDGED.has(item.role) ? practiceAt(item.rung, turns, told) : null;
  return (
    <>
      <Detail name="Set up">{drill.setup}</Detail>
      <Detail name="Do">{drill.steps.map((step, i) => `${i + 1}. ${step}`).join(' ')}</Detail>
      <Detail name="Think of">{inWords(item.cue)}</Detail>
      <Detail name="Feel">{drill.feel}</Detail>
      <Detail name="Good looks like">{item.success}</Detail>
      {practice === null ? null : <Detail name="Sets">{practice}</Detail>}
      {item.aids.length > 0 ? <Detail name="With">{item.aids.map(kitName).join(', ')}</Detail> : null}
      {removed === undefined ? null : (
        <Detail name="Without">
          {removed
            .split(': ')
            .map((part, i) => (i === 0 ? kitName(part) : part))
            .join(': ')}
        </Detail>
      )}
      {drill.cautions.length > 0 ? <Detail name="Take care">{drill.cautions.join(' ')}</Detail> : null}
    </>
  );
}

function Item({ item, turns, discipline, throws, age, told, extra }: Planned & Shown) {
  const say = useVocabulary();
  const units = useUnits();
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const drill = useLibrary().drill(item.drill, item.words);
  const { add } = item.constraints;
  const dose = doseText(item, units);
  const worked = item.role === 'main' || item.role === 'test' || item.role === 'pinned';
  return (
    <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        style={{ flexDirection: 'row', alignItems: 'center', minHeight: TARGET, gap: SPACE.s, paddingVertical: 6 }}
      >
        {told === 'coach' ? (
          <Text
            style={{
              width: 22,
              fontFamily: NUMBER_FONT,
              fontWeight: '600',
              fontSize: 20,
              color: worked ? palette.spruce : palette.soft,
            }}
          >
            {item.rung}
          </Text>
        ) : null}
        <View style={{ flex: 1 }}>
          <Text variant="bodyMedium" style={{ fontWeight: worked ? '600' : '400' }}>
            {drill.name}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {[
              ROLE_WORDS[item.role],
              dose,
              `${item.minutes} min`,
              ...(item.aids.length > 0 ? [`with ${item.aids.map(kitName).join(', ')}`] : []),
            ].join(' · ')}
          </Text>
        </View>
        <Icon name={open ? 'chevron-up' : 'chevron-down'} color={palette.soft} />
      </Pressable>
      {open ? (
        <View style={{ gap: 6, paddingBottom: SPACE.m }}>
          <Mannequin
            poses={drillPoses(drill, discipline)}
            throws={throws}
            aids={drawnKit(drill, item)}
            moving
            height={told === 'athlete' ? 260 : 170}
            label={`Figure: ${drill.name}`}
          />
          <HowToDo item={item} age={age} told={told} turns={turns} />
          {told === 'coach' ? (
            <>
              <Detail name="Rung">{`${item.rung}, ${RUNG_NAMES[item.rung].toLowerCase()}`}</Detail>
              <Detail name="Watch for">{drill.cheats.map((c) => `${c.label}: ${c.counter}`).join('. ')}</Detail>
              {add.length > 0 ? <Detail name="Add">{add.map(kitName).join(', ')}</Detail> : null}
              {item.why === '' ? null : <Detail name="Why now">{say.sentence(item.why)}</Detail>}
              {extra?.(item)}
            </>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}

/** What part an item plays, in a word. */
const ROLE_WORDS: Record<PlanItem['role'], string> = {
  prepare: 'prepare',
  'warm-throws': 'warm up',
  test: 'test',
  main: 'main work',
  'carry-over': 'whole throws',
  support: 'support',
  'arm-work': 'free throws',
  pinned: 'coach’s pick',
};

/** A session: what is new, what limits it, and its items, each opening to how it is done. */
export function SessionItems({ session, ...body }: { readonly session: PlanSession } & Shown) {
  const say = useVocabulary();
  const palette = usePalette();
  const cues = Object.values(session.cues ?? {});
  const turns = session.items.some((item) => item.role === 'carry-over');
  return (
    <View>
      {session.new ? (
        <Text variant="bodyMedium" style={{ fontWeight: '600', paddingBottom: 4 }}>
          {session.new}
        </Text>
      ) : null}
      {cues.length > 0 ? (
        <Text variant="bodyMedium" style={{ paddingBottom: 4 }}>
          {`${cues.length === 1 ? 'One thought' : 'Thoughts'} today: ${cues.map((cue) => `“${cue}”`).join(', ')}`}
        </Text>
      ) : null}
      {session.note && body.told === 'coach' ? (
        <Text variant="bodySmall" style={{ color: palette.clay, paddingBottom: 4 }}>
          {say.sentence(session.note)}
        </Text>
      ) : null}
      {session.items.map((item, i) => (
        <Item key={`${item.drill}-${i}`} item={item} turns={turns} {...body} />
      ))}
    </View>
  );
}
