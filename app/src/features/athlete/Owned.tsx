import type { FocusRecord } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { Text } from 'react-native-paper';
import { COURSE_WORDS } from '../../ui/CourseLine';
import { LinkRow } from '../../ui/controls';
import { usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';

/** What was owned: quiet while it holds, said when it is back or wants to be filmed. */
export function Owned({
  owned,
  athlete,
  judges,
}: {
  readonly owned: readonly FocusRecord[];
  readonly athlete: string;
  readonly judges: boolean;
}) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  if (!judges) return null;
  return owned.map(({ id, finding, course }) => {
    if (!course) return null;
    const loud = course.state === 'relapsed' || course.watch !== null;
    return (
      <LinkRow key={id} onPress={() => router.push(`/athletes/${athlete}/numbers`)} testID="owned-focus">
        <Text variant="bodyMedium">
          {say.title(finding)}
          <Text
            style={{ color: course.state === 'relapsed' ? palette.clay : loud ? palette.brass : palette.soft }}
          >{`  ${COURSE_WORDS[course.state]}`}</Text>
        </Text>
        {loud ? (
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {course.state === 'relapsed' ? course.reason : `Film the full delivery: ${course.watch}.`}
          </Text>
        ) : null}
      </LinkRow>
    );
  });
}
