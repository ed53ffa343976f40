import type { CampDifference, CampRecord } from '@wrightonic/contract';
import { CAMP_CHANGES } from '@wrightonic/core';
import type { CampChange } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { CHANGE_WORDS } from './words';

type Kind = CampChange['type'];

/** What a change would do, athlete by athlete. */
function Difference({ difference }: { readonly difference: CampDifference }) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.xs }} testID="replan-difference">
      <Text variant="titleMedium">
        {difference.moved === 0
          ? 'Nobody goes elsewhere.'
          : `${difference.moved === 1 ? 'One athlete goes' : `${difference.moved} athletes go`} elsewhere.`}
      </Text>
      {difference.infeasible ? (
        <Caution>{`${difference.infeasible.reason} ${difference.infeasible.relax.join(' ')}`}</Caution>
      ) : null}
      {difference.moves.map((move) => (
        <Text key={`${move.athlete.id} ${move.day} ${move.rotation}`} variant="bodyMedium" style={{ color: palette.ink }}>
          {`${move.athlete.name}, rotation ${move.rotation + 1}: ${move.from ?? 'not here'} → ${move.to ?? 'not here'}`}
        </Text>
      ))}
    </View>
  );
}

/** Something has happened: what, from when, what it would do, and taking it. */
export function Replan({
  camp,
  day,
  from,
  late,
  onDone,
}: {
  readonly camp: CampRecord;
  readonly day: number;
  /** The first rotation that may still change. */
  readonly from: number;
  /** Athletes who were not seen yet: the likeliest to be late or absent stand first. */
  readonly late: readonly string[];
  readonly onDone: () => void;
}) {
  const [look, looking] = api.useLazyLookAtReplanQuery();
  const [seen, setSeen] = useState<CampDifference | null>(null);
  const [replan, replanning] = api.useReplanCampMutation();
  const [kind, setKind] = useState<Kind | 'limits'>(camp.broken.length > 0 ? 'limits' : 'station-closed');
  const [ids, setIds] = useState<readonly string[]>([]);
  const [picked, setPicked] = useState(from);
  // A rotation that has gone by meanwhile changes no more.
  const rotation = Math.max(picked, from);
  const rotations = camp.days[day]!.rotations;
  const first = new Set(late);
  const things =
    kind === 'station-closed'
      ? camp.stations.map(({ id, name }) => ({ id, name }))
      : [...camp.athletes]
          .map(({ athlete: id, name }) => ({ id, name }))
          .sort((a, b) => Number(first.has(b.id)) - Number(first.has(a.id)));
  const body = {
    revision: camp.revision,
    now: { day, rotation: from },
    changes: kind === 'limits' ? [] : ids.map((id): CampChange => ({ day, fromRotation: rotation, type: kind, id })),
  };
  const pick = (to: Kind | 'limits') => {
    setKind(to);
    setIds([]);
    setSeen(null);
  };
  const change = (to: readonly string[]) => {
    setIds(to);
    setSeen(null);
  };
  const take = async () => {
    if ((await replan({ id: camp.id, body })).data) onDone();
  };
  const see = async () => setSeen((await look({ id: camp.id, body })).data ?? null);
  const error = looking.error ?? replanning.error;
  const ready = kind === 'limits' || ids.length > 0;
  return (
    <Section title="Plan the rest anew" note="what has been stays">
      <Row>
        {CAMP_CHANGES.map((one) => (
          <Choice key={one} label={CHANGE_WORDS[one]} chosen={kind === one} onPress={() => pick(one)} testID={`replan-${one}`} />
        ))}
        <Choice label="Limits have changed" chosen={kind === 'limits'} onPress={() => pick('limits')} testID="replan-limits" />
      </Row>
      {kind === 'limits' ? null : (
        <>
          <Row>
            {things.map(({ id, name }) => (
              <Choice
                key={id}
                label={name}
                chosen={ids.includes(id)}
                onPress={() => change(ids.includes(id) ? ids.filter((other) => other !== id) : [...ids, id])}
                testID={`replan-of-${name}`}
              />
            ))}
          </Row>
          <Text variant="bodyMedium">{kind === 'athlete-late' ? 'Here from rotation' : 'From rotation'}</Text>
          <Row>
            {Array.from({ length: rotations }, (_, n) => n)
              .filter((n) => n >= from)
              .map((n) => (
                <Choice
                  key={n}
                  label={String(n + 1)}
                  chosen={rotation === n}
                  onPress={() => {
                    setPicked(n);
                    setSeen(null);
                  }}
                  testID={`replan-from-${n + 1}`}
                />
              ))}
          </Row>
        </>
      )}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {seen ? <Difference difference={seen} /> : null}
      <Row>
        {seen ? (
          <Action label="Take it" busy={replanning.isLoading} onPress={() => void take()} testID="replan-take" />
        ) : (
          <Action
            label="See what it would do"
            disabled={!ready}
            busy={looking.isFetching}
            onPress={() => void see()}
            testID="replan-look"
          />
        )}
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </Section>
  );
}
