import { INTAKE_STEPS } from '@wrightonic/contract';
import type { IntakeStep, Problem } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import type { ComponentType } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action, Caution, Loading } from '../../ui/controls';
import { Row, Screen } from '../../ui/layout';
import { SPACE, TARGET, usePalette } from '../../ui/theme';
import { missing } from './form';
import type { StepProps } from './step';
import { Family } from './steps-family';
import { History } from './steps-history';
import { Size, Who } from './steps-person';
import { Season, Thoughts, Week } from './steps-work';
import { useIntake } from './use-intake';
import type { Intake } from './use-intake';

const STEPS: Record<IntakeStep, { readonly name: string; readonly title: string; readonly Part: ComponentType<StepProps> }> = {
  who: { name: 'Who', title: 'Who is it?', Part: Who },
  size: { name: 'Size', title: 'How tall, how heavy, how far?', Part: Size },
  family: { name: 'Family', title: 'Who can be reached, and who agrees?', Part: Family },
  history: { name: 'History', title: 'What has happened to the arm?', Part: History },
  thoughts: { name: 'Thoughts', title: 'What do they think of?', Part: Thoughts },
  week: { name: 'Week', title: 'When, where, with what?', Part: Week },
  season: { name: 'Season', title: 'Which season, which goals?', Part: Season },
};
/** Before these the athlete is only on this device; after them the server has the record. */
const OWN_STEPS: readonly IntakeStep[] = ['who', 'size'];

/** Names of the form for names of the record. */
const LABELS: Record<string, string> = {
  name: 'Name',
  birthDate: 'Born',
  heightM: 'Height',
  massKg: 'Weight',
  availability: 'Days and places',
  equipment: 'Kit',
  guardians: 'Guardian',
  games: 'Games',
};

function inFormWords({ errors, detail }: Problem): string {
  const lines = errors.map(({ path, message }) => {
    const top = path.split(/[.[]/)[0]!;
    return message.replace(path, LABELS[top] ?? LABELS[path] ?? path);
  });
  return lines.length > 0 ? `${lines.join('. ')}.` : detail;
}

function StepBar({
  at,
  done,
  onOpen,
}: {
  readonly at: IntakeStep;
  readonly done: (step: IntakeStep) => boolean;
  readonly onOpen: (step: IntakeStep) => void;
}) {
  const palette = usePalette();
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} style={{ flexGrow: 0 }}>
      <View role="tablist" style={{ flexDirection: 'row', gap: SPACE.xs }}>
        {INTAKE_STEPS.map((step, i) => (
          <Pressable
            key={step}
            role="tab"
            aria-selected={step === at}
            onPress={() => onOpen(step)}
            style={{
              minHeight: TARGET,
              minWidth: TARGET,
              paddingHorizontal: SPACE.s,
              justifyContent: 'center',
              borderBottomWidth: 3,
              borderColor: step === at ? palette.spruce : done(step) ? palette.line : 'transparent',
            }}
          >
            <Text variant="bodySmall" style={{ color: step === at ? palette.spruce : palette.soft, fontWeight: '600' }}>
              {`${done(step) && step !== at ? '✓' : i + 1} ${STEPS[step].name}`}
            </Text>
          </Pressable>
        ))}
      </View>
    </ScrollView>
  );
}

function Steps({ id, intake, start }: { readonly id: string; readonly intake: Intake; readonly start: IntakeStep }) {
  const router = useRouter();
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const [at, setAt] = useState(start);
  const [tried, setTried] = useState(false);
  const { form } = intake;
  if (!form || !me) return null;
  const unit = me.academy.lengthUnit;
  const index = INTAKE_STEPS.indexOf(at);
  const next = INTAKE_STEPS[index + 1] ?? null;
  const lacking = missing(form, unit);
  const { Part, title } = STEPS[at];
  const reached = form.intake.next === null ? INTAKE_STEPS.length : INTAKE_STEPS.indexOf(form.intake.next);
  const done = (step: IntakeStep) => form.known && INTAKE_STEPS.indexOf(step) < reached;
  /** Each step that is left is kept; while the record is not whole, it stays on this device. */
  const leaveFor = async (step: IntakeStep | null, agreed = false) => {
    setTried(true);
    if (lacking === null) {
      if (!(await intake.keep(step, agreed))) return;
    } else if (step === null || !OWN_STEPS.includes(step)) return;
    setTried(false);
    if (step) setAt(step);
    else router.replace(`/athletes/${id}`);
  };
  return (
    <Screen
      width={640}
      footer={
        <>
          {tried && lacking !== null ? <Caution>{`Still missing: ${lacking}.`}</Caution> : null}
          {intake.problem ? <Caution>{inFormWords(intake.problem)}</Caution> : null}
          {intake.asksToSetAside ? (
            <Action
              kind="quiet"
              label="Set them aside and go on"
              onPress={() => void leaveFor(next, true)}
              busy={intake.busy}
              testID="set-aside"
            />
          ) : null}
          <Row style={{ flexWrap: 'nowrap' }}>
            {form.known && at !== 'season' ? (
              <View style={{ flex: 1 }}>
                <Action kind="quiet" label="Later" onPress={() => void leaveFor(null)} busy={intake.busy} testID="intake-later" />
              </View>
            ) : null}
            <View style={{ flex: 2 }}>
              <Action
                label={next === null ? 'Done' : at === 'size' && !form.known ? 'Add the athlete' : 'Next'}
                onPress={() => void leaveFor(next)}
                busy={intake.busy}
                testID="intake-next"
              />
            </View>
          </Row>
        </>
      }
    >
      <StepBar at={at} done={done} onOpen={(step) => void leaveFor(step)} />
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          {title}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {form.who.name || 'New athlete'}
        </Text>
      </View>
      <Part key={at} id={id} form={form} change={intake.change} />
    </Screen>
  );
}

/** Intake in short steps, kept as it goes. */
export function IntakeScreen({ id, known }: { readonly id: string; readonly known: boolean }) {
  const intake = useIntake(id, known);
  if (!intake.form) return <Loading />;
  const start = !known ? 'who' : (intake.form.intake.next ?? 'who');
  return <Steps id={id} intake={intake} start={start} />;
}
