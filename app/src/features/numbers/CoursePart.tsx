import { may } from '@wrightonic/contract';
import type { EasedCount, FocusProgress, Role } from '@wrightonic/contract';
import { GATE_DEFAULTS } from '@wrightonic/core';
import type { Eased as EasedFinding } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { shortDay } from '../../ui/ChartFrame';
import { COURSE_WORDS, CourseLine } from '../../ui/CourseLine';
import { RepsChart } from '../../ui/RepsChart';
import { Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';
import { chanceText } from '../../ui/words';
import { CourseActions } from './CourseActions';

interface Props {
  readonly athlete: string;
  readonly part: FocusProgress;
  readonly soFar: EasedCount | null;
  readonly role: Role;
}

const MOVES_SHOWN = 4;

/** One focus: where it stands by its measures, what should ease, its gate and moves, and what to do about it. */
export function CoursePart({ athlete, part, soFar, role }: Props) {
  const say = useVocabulary();
  const palette = usePalette();
  const { focus, course, sessions, gate, moves } = part;
  const judges = may(role, 'judge');
  const inWork = focus.state === 'working' || focus.state === 'holding';
  return (
    <Section
      title={judges ? say.title(focus.finding) : say.forAthlete(focus.finding)}
      note={inWork || !course ? `rung ${focus.rung}` : COURSE_WORDS[course.state].toLowerCase()}
    >
      {course ? <CourseLine state={course.state} reason={course.reason} watch={focus.course?.watch ?? null} /> : null}
      {judges ? <Eased eased={part.eased ?? []} soFar={soFar} /> : null}
      {judges && course ? <CourseActions athlete={athlete} part={part} course={course} /> : null}
      {inWork && gate && sessions.length > 0 ? (
        <RepsChart days={sessions} gate={GATE_DEFAULTS.advanceRate} sentence={gate.reason} />
      ) : null}
      {inWork && gate && sessions.length === 0 ? <Text variant="bodyMedium">{gate.reason}</Text> : null}
      {moves.slice(0, MOVES_SHOWN).map((m) => (
        <Text key={m.id} variant="bodySmall" style={{ color: palette.soft }}>
          {`${shortDay(m.on)}: ${m.from === m.to ? `stays on ${m.to}` : `${m.from} → ${m.to}`}${m.by === 'coach' ? ', by the coach' : ''}`}
        </Text>
      ))}
    </Section>
  );
}

const EASED = (eased: boolean | null): string => (eased === null ? 'nobody has looked since' : eased ? 'eased' : 'has not eased');

/** What should ease when this is worked on, and whether it has: the prediction is kept and counted. */
function Eased({ eased, soFar }: { readonly eased: readonly EasedFinding[]; readonly soFar: EasedCount | null }) {
  const say = useVocabulary();
  const palette = usePalette();
  if (eased.length === 0) return null;
  return (
    <View style={{ gap: 2, marginTop: SPACE.xs }} testID="eased">
      <Text variant="bodySmall" style={{ fontWeight: '600' }}>
        Should ease with it
      </Text>
      {eased.map((e) => (
        <Text key={e.finding} variant="bodySmall">
          {`${say.title(e.finding)}: ${EASED(e.eased)}, ${chanceText(e.then)} then${e.eased === null ? '' : `, ${chanceText(e.now)} now`}`}
        </Text>
      ))}
      {soFar && soFar.of > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`In this academy ${soFar.eased} of ${soFar.of} such predictions came true, in foci that have ended.`}
        </Text>
      ) : null}
    </View>
  );
}
