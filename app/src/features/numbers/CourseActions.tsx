import type { FocusProgress } from '@wrightonic/contract';
import type { Course } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { useLibrary } from '../../data/use-library';
import { Action, Caution } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

/** Other drills that are offered to a focus that is stuck. */
const OFFERED = 3;

interface Props {
  readonly athlete: string;
  readonly part: FocusProgress;
  readonly course: Course;
}

/** What the coach can do about a focus where it stands. */
export function CourseActions({ athlete, part, course }: Props) {
  const router = useRouter();
  const palette = usePalette();
  const library = useLibrary();
  const [change, changing] = api.useChangeFocusMutation();
  const [putFocus, putting] = api.usePutFocusMutation();
  const { focus, otherDrills = [] } = part;
  const tuneUp = part.tuneUp ?? focus.rung;
  const inWork = focus.state === 'working' || focus.state === 'holding';
  const own = (reason: string) => void change({ athlete, id: focus.id, body: { end: 'owned', reason } });
  const tune = () =>
    void putFocus({ athlete, id: newId(), body: { finding: focus.finding, rung: tuneUp, diagnosis: null } })
      .unwrap()
      .then(() => router.push(`/athletes/${athlete}/plan`))
      .catch(() => {});
  const error = changing.error ?? putting.error;
  return (
    <View style={{ gap: SPACE.s }}>
      {course.state === 'stuck' && otherDrills.length > 0 ? (
        <Text variant="bodyMedium" testID="other-drills">
          {`Not tried yet on rung ${focus.rung}: ${otherDrills
            .slice(0, OFFERED)
            .map((drill) => library.drill(drill).name)
            .join(', ')}.`}
        </Text>
      ) : null}
      <Row>
        {course.state === 'done' ? (
          <Action label="Call it owned" busy={changing.isLoading} onPress={() => own(course.reason)} testID="call-owned" />
        ) : null}
        {course.state === 'relapsed' ? (
          <Action label={`Tune up on rung ${tuneUp}`} busy={putting.isLoading} onPress={tune} testID="tune-up" />
        ) : null}
        {course.state === 'stuck' ? (
          <Action kind="quiet" label="Look again" onPress={() => router.push(`/athletes/${athlete}/look`)} />
        ) : null}
        {inWork && course.state !== 'done' ? (
          <Action
            kind="plain"
            label="Call it owned by your own word"
            busy={changing.isLoading}
            onPress={() => own('The coach’s word, before the measures say so')}
          />
        ) : null}
        {focus.state === 'owned' && course.state !== 'relapsed' ? (
          <Action kind="quiet" label="Choose the next focus" onPress={() => router.push(`/athletes/${athlete}/what`)} />
        ) : null}
        {focus.course?.watch && !focus.course.askedAt ? (
          <Action
            kind="quiet"
            label="A clip was asked for"
            busy={changing.isLoading}
            onPress={() => void change({ athlete, id: focus.id, body: { ask: true, reason: 'A clip was asked for' } })}
            testID="clip-asked"
          />
        ) : null}
      </Row>
      {focus.course?.askedAt ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`A clip was asked for on ${weekDay(focus.course.askedAt.slice(0, 10))}.`}
        </Text>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
    </View>
  );
}
