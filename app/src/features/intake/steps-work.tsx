import type { IntakeRecord } from '@wrightonic/contract';
import { EQUIPMENT, kitName, linkName, LINKS, PLACES, SEASONS, thoughtsAt, WEEKDAYS } from '@wrightonic/core';
import type { Place, Weekday } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Action, Choice } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Row, Section } from '../../ui/layout';
import { SchoolChoices } from '../../ui/SchoolChoices';
import { SPACE, usePalette } from '../../ui/theme';
import { OutingForm } from '../../parts/OutingForm';
import type { IntakeForm } from './form';
import { setIntake } from './step';
import type { StepProps } from './step';
import { Field } from '../../ui/Field';

export function Thoughts(props: StepProps) {
  const palette = usePalette();
  const { form } = props;
  const { intake } = form;
  const discipline = form.who.discipline ?? 'overhand';
  const toggle = (thought: string) =>
    setIntake(props, {
      thoughts: intake.thoughts.includes(thought) ? intake.thoughts.filter((t) => t !== thought) : [...intake.thoughts, thought],
    });
  return (
    <>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        “What do you think of here?” A wrong thought is a cause like any other, so those that are known to mislead count in the
        diagnosis.
      </Text>
      {LINKS.map((link) => (
        <View key={link} style={{ gap: SPACE.xs }}>
          <Text variant="labelLarge">{linkName(link, discipline)}</Text>
          <Row>
            {thoughtsAt(link, discipline).map((thought) => (
              <Choice
                key={thought.id}
                label={thought.text}
                chosen={intake.thoughts.includes(thought.id)}
                onPress={() => toggle(thought.id)}
                testID={`thought-${thought.id}`}
              />
            ))}
          </Row>
          <Field
            dense
            label="In their words"
            value={intake.words[link] ?? ''}
            onChangeText={(text) => {
              const { [link]: _, ...rest } = intake.words;
              setIntake(props, { words: text ? { ...rest, [link]: text } : rest });
            }}
          />
        </View>
      ))}
      <Field
        label="What earlier coaches said"
        value={intake.told}
        onChangeText={(told) => setIntake(props, { told })}
        multiline
      />
      <View style={{ gap: SPACE.xs }}>
        <Text variant="bodyMedium">How do they like things explained?</Text>
        <Row>
          <Choice
            wide
            label="One simple image"
            chosen={intake.explain === 'image'}
            onPress={() => setIntake(props, { explain: 'image' })}
          />
          <Choice
            wide
            label="With the reason"
            chosen={intake.explain === 'reason'}
            onPress={() => setIntake(props, { explain: 'reason' })}
          />
        </Row>
      </View>
    </>
  );
}

const DAY_NAMES: Record<Weekday, string> = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' };
const MINUTES = [20, 30, 45, 60, 90];
const USUAL_MINUTES = 45;

export function Week({ form, change }: StepProps) {
  const { week } = form;
  const { data: me } = api.useMeQuery();
  const set = (part: Partial<IntakeForm['week']>) => change({ week: { ...week, ...part } });
  const nextPlace = (place: Place | undefined): Place | undefined =>
    place === undefined ? PLACES[0] : PLACES[PLACES.indexOf(place) + 1];
  const cycle = (day: Weekday) => {
    const { [day]: now, ...rest } = week.days;
    const place = nextPlace(now?.place);
    set({ days: place ? { ...rest, [day]: { place, minutes: now?.minutes ?? USUAL_MINUTES } } : rest });
  };
  const chosen = WEEKDAYS.filter((day) => week.days[day]);
  return (
    <>
      <Section title="Days and places" note="tap through the places; then the minutes">
        <Row>
          {WEEKDAYS.map((day) => (
            <Choice
              key={day}
              label={week.days[day] ? `${DAY_NAMES[day]} ${week.days[day].place}` : DAY_NAMES[day]}
              chosen={week.days[day] !== undefined}
              onPress={() => cycle(day)}
              testID={`day-${day}`}
            />
          ))}
        </Row>
        {chosen.map((day) => (
          <Row key={day}>
            <Text variant="bodyMedium" style={{ width: 40 }}>
              {DAY_NAMES[day]}
            </Text>
            {MINUTES.map((minutes) => (
              <Choice
                key={minutes}
                label={`${minutes}`}
                chosen={week.days[day]!.minutes === minutes}
                onPress={() => set({ days: { ...week.days, [day]: { ...week.days[day]!, minutes } } })}
              />
            ))}
          </Row>
        ))}
      </Section>
      <Section title="Kit">
        <Row>
          {EQUIPMENT.filter((kit) => kit !== 'weighted-ball' || me?.academy.weightedBalls).map((kit) => (
            <Choice
              key={kit}
              label={kitName(kit)}
              chosen={week.equipment.includes(kit)}
              onPress={() =>
                set({
                  equipment: week.equipment.includes(kit) ? week.equipment.filter((k) => k !== kit) : [...week.equipment, kit],
                })
              }
            />
          ))}
          <Choice label="a partner" chosen={week.partner} onPress={() => set({ partner: !week.partner })} />
        </Row>
      </Section>
    </>
  );
}

const SEASON_NAMES = { off: 'Off season', pre: 'Before the season', in: 'In season' } as const;

export function Season(props: StepProps) {
  const { id, form, change } = props;
  const { intake } = form;
  const [outing, setOuting] = useState(false);
  const setGame = (i: number, part: Partial<IntakeRecord['games'][number]>) =>
    setIntake(props, { games: intake.games.map((g, j) => (i === j ? { ...g, ...part } : g)) });
  return (
    <>
      <Row>
        {SEASONS.map((season) => (
          <Choice key={season} label={SEASON_NAMES[season]} chosen={form.season === season} onPress={() => change({ season })} />
        ))}
      </Row>
      <Field
        label="Goals, in their words"
        value={intake.goals}
        onChangeText={(goals) => setIntake(props, { goals })}
        multiline
        testID="goals"
      />
      <Section title="Games to come" note="the plan keeps clear of them">
        {intake.games.map((game, i) => (
          <Row key={i} style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
            <View style={{ flex: 3, minWidth: 0 }}>
              <DateField label="Day" value={game.date} onChange={(date) => setGame(i, { date })} />
            </View>
            <Field
              label="Pitches"
              value={game.pitches ? String(game.pitches) : ''}
              onChangeText={(text) => setGame(i, { pitches: Number(text.replace(/\D/g, '')) || 0 })}
              inputMode="numeric"
              style={{ flex: 2, minWidth: 0 }}
            />
            <Action kind="plain" label="×" onPress={() => setIntake(props, { games: intake.games.filter((_, j) => j !== i) })} />
          </Row>
        ))}
        <Row>
          <Action
            kind="quiet"
            label="Add a game"
            onPress={() => setIntake(props, { games: [...intake.games, { date: '', pitches: 0 }] })}
          />
        </Row>
      </Section>
      <Section title="Throwing done elsewhere" note="counts in rest and budget">
        {outing ? (
          <OutingForm athlete={id} onDone={() => setOuting(false)} />
        ) : (
          <Row>
            <Action kind="quiet" label="Add a game or outside throws" onPress={() => setOuting(true)} />
          </Row>
        )}
      </Section>
      <Section title="This athlete’s own schools" note="over the academy’s">
        <SchoolChoices schools={form.schools} onChange={(schools) => change({ schools })} />
      </Section>
    </>
  );
}
