import type { AthleteRecord, Problem } from '@wrightonic/contract';
import { EQUIPMENT, LEVELS, PLACES, WEEKDAYS } from '@wrightonic/core';
import type { Equipment, Place, Weekday } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE } from '../../ui/theme';

const DAY_NAMES: Record<Weekday, string> = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' };
const SESSION_MINUTES = 45;

interface Draft {
  name: string;
  birthDate: string;
  height: string;
  mass: string;
  discipline: AthleteRecord['discipline'];
  throws: AthleteRecord['throws'];
  level: AthleteRecord['level'];
  days: Partial<Record<Weekday, Place>>;
  equipment: Equipment[];
  partner: boolean;
}

const EMPTY: Draft = {
  name: '',
  birthDate: '',
  height: '',
  mass: '',
  discipline: 'overhand',
  throws: 'R',
  level: 'youth',
  days: {},
  equipment: ['net'],
  partner: false,
};

/** Names of the form for names of the record. */
const LABELS: Record<string, string> = {
  name: 'Name',
  birthDate: 'Born',
  heightM: 'Height',
  massKg: 'Weight',
  availability: 'Days and places',
};

function inFormWords({ errors, detail }: Problem): string {
  const lines = errors.map(({ path, message }) => message.replace(path, LABELS[path] ?? path));
  return lines.length > 0 ? `${lines.join('. ')}.` : detail;
}

/** What is needed to plan safely: who, size, days, places, kit. */
export function NewAthleteScreen() {
  const router = useRouter();
  const [put, { isLoading, error }] = api.usePutAthleteMutation();
  const [id] = useState(newId);
  const [draft, setDraft] = useState<Draft>(EMPTY);
  const set = (change: Partial<Draft>) => setDraft({ ...draft, ...change });
  const nextPlace = (place: Place | undefined): Place | undefined =>
    place === undefined ? PLACES[0] : PLACES[PLACES.indexOf(place) + 1];
  const save = async () => {
    const body: AthleteRecord = {
      name: draft.name,
      birthDate: draft.birthDate,
      heightM: Number(draft.height) / 100,
      massKg: Number(draft.mass),
      discipline: draft.discipline,
      throws: draft.throws,
      level: draft.level,
      season: 'off',
      availability: WEEKDAYS.flatMap((weekday) =>
        draft.days[weekday] ? [{ weekday, minutes: SESSION_MINUTES, place: draft.days[weekday] }] : [],
      ),
      equipment: draft.equipment,
      partner: draft.partner,
      schools: {},
    };
    const answer = await put({ id, body });
    if (answer.data) router.replace(`/athletes/${id}`);
  };
  return (
    <Screen
      width={640}
      footer={
        <Action
          label="Add the athlete"
          onPress={() => void save()}
          busy={isLoading}
          disabled={!draft.name.trim()}
          testID="add-athlete"
        />
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        New athlete
      </Text>
      {error ? <Caution>{inFormWords(problemOf(error))}</Caution> : null}
      <TextInput mode="outlined" label="Name" value={draft.name} onChangeText={(name) => set({ name })} testID="new-name" />
      <TextInput
        mode="outlined"
        label="Born (YYYY-MM-DD)"
        value={draft.birthDate}
        onChangeText={(birthDate) => set({ birthDate })}
        testID="new-born"
      />
      <Row style={{ flexWrap: 'nowrap' }}>
        <TextInput
          mode="outlined"
          label="Height, cm"
          value={draft.height}
          onChangeText={(height) => set({ height })}
          inputMode="decimal"
          style={{ flex: 1 }}
          testID="new-height"
        />
        <TextInput
          mode="outlined"
          label="Weight, kg"
          value={draft.mass}
          onChangeText={(mass) => set({ mass })}
          inputMode="decimal"
          style={{ flex: 1 }}
          testID="new-mass"
        />
      </Row>
      <Row>
        <Choice label="Overhand" chosen={draft.discipline === 'overhand'} onPress={() => set({ discipline: 'overhand' })} />
        <Choice label="Windmill" chosen={draft.discipline === 'windmill'} onPress={() => set({ discipline: 'windmill' })} />
        <Choice label="Right hand" chosen={draft.throws === 'R'} onPress={() => set({ throws: 'R' })} />
        <Choice label="Left hand" chosen={draft.throws === 'L'} onPress={() => set({ throws: 'L' })} />
      </Row>
      <Row>
        {LEVELS.map((level) => (
          <Choice key={level} label={level.replace('-', ' ')} chosen={draft.level === level} onPress={() => set({ level })} />
        ))}
      </Row>
      <Section title="Days and places" note="tap through the places; 45 minutes each">
        <Row>
          {WEEKDAYS.map((day) => (
            <Choice
              key={day}
              label={draft.days[day] ? `${DAY_NAMES[day]} ${draft.days[day]}` : DAY_NAMES[day]}
              chosen={draft.days[day] !== undefined}
              onPress={() => set({ days: { ...draft.days, [day]: nextPlace(draft.days[day]) } })}
              testID={`day-${day}`}
            />
          ))}
        </Row>
      </Section>
      <Section title="Kit">
        <Row>
          {EQUIPMENT.map((kit) => (
            <Choice
              key={kit}
              label={kit.replace('-', ' ')}
              chosen={draft.equipment.includes(kit)}
              onPress={() =>
                set({
                  equipment: draft.equipment.includes(kit) ? draft.equipment.filter((k) => k !== kit) : [...draft.equipment, kit],
                })
              }
            />
          ))}
          <Choice label="a partner" chosen={draft.partner} onPress={() => set({ partner: !draft.partner })} />
        </Row>
      </Section>
      <View style={{ height: SPACE.s }} />
    </Screen>
  );
}
