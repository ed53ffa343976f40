import { may } from '@wrightonic/contract';
import type { HandOutShare, NamedId, NewHandOut } from '@wrightonic/contract';
import { PLACES } from '@wrightonic/core';
import type { IsoDate, Place } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { useLibrary } from '../../data/use-library';
import { AthletePicker } from '../../parts/AthletePicker';
import { DrillSearch } from '../../parts/DrillSearch';
import { Action, Caution, Choice } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Field } from '../../ui/Field';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { PLACE_WORDS } from './words';

/** “At home”: a place as a choice. */
const placeName = (place: Place): string => `${PLACE_WORDS[place][0]!.toUpperCase()}${PLACE_WORDS[place].slice(1)}`;
const WEEKS = [2, 4, 6] as const;
const MOST_ATHLETES = 60;
const MOST_DRILLS = 8;

/** Whom it goes to: some athletes by name, or everybody of a group or a station. */
type To = { readonly kind: 'athletes' } | { readonly kind: 'group' | 'station'; readonly id: string };

/** One athlete's part of it, before anything is handed out. */
function ShareLine({ share, plan }: { readonly share: HandOutShare; readonly plan: boolean }) {
  const palette = usePalette();
  const { athlete, work, left } = share;
  const amount = work && `${work.minutes} min${work.throws > 0 ? `, ${work.throws} throws` : ', dry'}`;
  return (
    <View style={{ paddingVertical: SPACE.xs }} testID={`share-${athlete.name}`}>
      <Text variant="bodyMedium">
        <Text style={{ fontWeight: '600' }}>{athlete.name}</Text>
        <Text style={{ color: palette.soft }}>{`  ${work ? (plan ? 'a plan of their own' : amount) : 'nothing'}`}</Text>
      </Text>
      {left.map((why) => (
        <Text key={why} variant="bodySmall" style={{ color: palette.clay }}>
          {why}
        </Text>
      ))}
    </View>
  );
}

/** What is handed out, to whom, where and when; who would get what is shown before it goes. */
export function HandOutForm({ today, onDone }: { readonly today: IsoDate; readonly onDone: () => void }) {
  const { data: me } = api.useMeQuery();
  const { library } = useLibrary();
  const { data: groups } = api.useGroupsQuery();
  const { data: people } = api.usePeopleQuery(undefined, { skip: !me || !may(me.role, 'seePeople') });
  const [put, putting] = api.usePutHandOutMutation();
  const [id] = useState(newId);
  const [kind, setKind] = useState<'drills' | 'plan'>('drills');
  const [drills, setDrills] = useState<readonly string[]>([]);
  const [weeks, setWeeks] = useState<number>(4);
  const [to, setTo] = useState<To>({ kind: 'athletes' });
  const [athletes, setAthletes] = useState<readonly NamedId[]>([]);
  const [place, setPlace] = useState<Place>('home');
  const [on, setOn] = useState<IsoDate>(today);
  const [note, setNote] = useState('');
  const stations = (people?.people ?? []).filter((person) => person.role === 'station');
  const whom: NewHandOut['to'] =
    to.kind === 'athletes'
      ? { kind: 'athletes', athletes: athletes.map((a) => a.id) }
      : to.kind === 'group'
        ? { kind: 'group', group: to.id }
        : { kind: 'station', person: to.id };
  const body: NewHandOut = {
    what: kind === 'drills' ? { kind, drills } : { kind, weeks },
    to: whom,
    place,
    on: kind === 'plan' ? today : on,
    note: note.trim() || null,
  };
  const complete = (kind === 'plan' || drills.length > 0) && (to.kind !== 'athletes' || athletes.length > 0) && body.on !== '';
  // What they would get hangs on everything but the note.
  const looked = api.useLookAtHandOutQuery(
    { body: { ...body, note: null } },
    { skip: !complete, refetchOnMountOrArgChange: true },
  );
  const shares = complete ? (looked.currentData ?? []) : [];
  const getting = shares.filter((share) => share.work !== null).length;
  const send = async () => {
    const answer = await put({ id, body });
    if (answer.data) onDone();
  };
  const error = putting.error ?? (complete ? looked.error : undefined);
  return (
    <View style={{ gap: SPACE.l }}>
      <Section title="What">
        <Row>
          <Choice label="Drills" chosen={kind === 'drills'} onPress={() => setKind('drills')} testID="hand-drills" />
          <Choice label="A plan each" chosen={kind === 'plan'} onPress={() => setKind('plan')} testID="hand-plan" />
        </Row>
        {kind === 'plan' ? (
          <>
            <Row>
              {WEEKS.map((n) => (
                <Choice key={n} label={`${n} weeks`} chosen={weeks === n} onPress={() => setWeeks(n)} />
              ))}
            </Row>
            <Text variant="bodySmall">
              Each gets a plan for their own focus, kit and days; it takes the place of the one they have.
            </Text>
          </>
        ) : (
          <>
            <Row>
              {drills.map((drill) => (
                <Choice
                  key={drill}
                  label={library.drill(drill).name}
                  chosen
                  onPress={() => setDrills(drills.filter((d) => d !== drill))}
                />
              ))}
            </Row>
            {drills.length < MOST_DRILLS ? (
              <DrillSearch
                label="Find a drill"
                most={4}
                asked={drills.length > 0}
                without={new Set(drills)}
                onPick={(drill) => setDrills([...drills, drill])}
              />
            ) : null}
          </>
        )}
      </Section>
      <Section title="To">
        <Row>
          <Choice
            label="Athletes by name"
            chosen={to.kind === 'athletes'}
            onPress={() => setTo({ kind: 'athletes' })}
            testID="to-athletes"
          />
          {(groups ?? []).map((group) => (
            <Choice
              key={group.id}
              label={group.name}
              chosen={to.kind === 'group' && to.id === group.id}
              onPress={() => setTo({ kind: 'group', id: group.id })}
              testID={`to-${group.name}`}
            />
          ))}
          {stations.map((person) => (
            <Choice
              key={person.id}
              label={`Station: ${person.name}`}
              chosen={to.kind === 'station' && to.id === person.id}
              onPress={() => setTo({ kind: 'station', id: person.id })}
            />
          ))}
        </Row>
        {to.kind === 'athletes' ? (
          <AthletePicker label="Find an athlete" chosen={athletes} most={MOST_ATHLETES} onChange={setAthletes} />
        ) : null}
      </Section>
      {kind === 'drills' ? (
        <Section title="Where and when">
          <Row>
            {PLACES.map((at) => (
              <Choice key={at} label={placeName(at)} chosen={place === at} onPress={() => setPlace(at)} testID={`at-${at}`} />
            ))}
          </Row>
          <DateField label="Day" value={on} onChange={setOn} testID="hand-day" />
        </Section>
      ) : null}
      <Field
        label="A word with it, if you like"
        value={note}
        onChangeText={setNote}
        maxLength={300}
        multiline
        testID="hand-note"
      />
      {shares.length > 0 ? (
        <Section title="Who gets what" note={`${getting} of ${shares.length}`}>
          {shares.map((share) => (
            <ShareLine key={share.athlete.id} share={share} plan={kind === 'plan'} />
          ))}
        </Section>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          label={getting > 1 ? `Hand out to ${getting}` : 'Hand out'}
          onPress={() => void send()}
          busy={putting.isLoading}
          disabled={!complete || looked.isFetching || getting === 0}
          testID="hand-out-send"
        />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}
