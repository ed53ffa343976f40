import { may } from '@wrightonic/contract';
import { drillPoses, findingById, FINDING_IDS, ladderFaults, ladderFrom, OWN_RUNGS, RUNG_NAMES } from '@wrightonic/core';
import type { Discipline, Drill, FindingId, Rung } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Blank, Caution, Choice, Loading } from '../../ui/controls';
import { Row, Screen } from '../../ui/layout';
import { Mannequin } from '../../ui/Mannequin';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { couldStand, ladderDraftOf, raised, rungsFrom, withDrill, without } from './ladder-draft';
import type { LadderDraft } from './ladder-draft';
import { useLibrary } from '../../data/use-library';
import { useVocabulary } from '../../ui/vocabulary';

interface LadderScreenProps {
  readonly finding: string;
  readonly discipline: string;
}

/** The drills that treat a finding, rung by rung, in the order in which they are chosen; an owner makes it the academy’s own. */
export function LadderScreen({ finding, discipline }: LadderScreenProps) {
  const { isLoading } = api.useLibraryQuery();
  const id = finding as FindingId;
  const known = FINDING_IDS.includes(id) && findingById(id).disciplines.includes(discipline as Discipline);
  if (!known)
    return (
      <Blank page title="There is no such ladder">
        Choose a finding under Drills, Filters, Mends.
      </Blank>
    );
  if (isLoading) return <Loading />;
  return <LadderPage finding={id} discipline={discipline as Discipline} />;
}

function LadderPage({ finding, discipline }: { readonly finding: FindingId; readonly discipline: Discipline }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const { own, library } = useLibrary();
  const { data: me } = api.useMeQuery();
  const [draft, setDraft] = useState<LadderDraft | null>(null);
  const [put, state] = api.usePutOwnLadderMutation();
  const now = library.ladder(finding, discipline);
  const shown = draft ?? ladderDraftOf(now);
  const next = draft === null ? now : ladderFrom(library.drills, finding, discipline, rungsFrom(draft));
  const changes = me !== undefined && may(me.role, 'changeSettings');
  const versions = own.ladders.filter((l) => l.finding === finding && l.discipline === discipline);
  const save = async (rungs: ReturnType<typeof rungsFrom> | null) => {
    const answer = await put({ id: newId(), body: { finding, discipline, rungs } });
    if (answer.data) setDraft(null);
  };
  return (
    <Screen width={860}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <IconButton icon="arrow-left" onPress={() => router.push('/drills')} accessibilityLabel="Back to all drills" />
        <Text variant="headlineSmall" role="heading" aria-level={1} style={{ flex: 1 }}>
          {say.title(finding)}
        </Text>
      </View>
      <Text variant="bodyMedium" style={{ color: palette.soft }}>
        {now.ordered
          ? 'Our own ladder: the first drill of a rung is taken first.'
          : 'Drills that treat it, rung by rung; which of them is taken hangs on the athlete, the day and the kit.'}
      </Text>
      {OWN_RUNGS.map((rung) => (
        <RungPart
          key={rung}
          rung={rung}
          drills={(shown[rung] ?? []).map((id) => library.drill(id))}
          more={draft === null ? [] : couldStand(library.drills, now, shown, rung)}
          skip={next.rungs.flatMap((r) => (r.rung === rung && 'skip' in r ? r.skip : []))[0]}
          discipline={discipline}
          onRaise={draft === null ? null : (drill) => setDraft(raised(shown, rung, drill))}
          onLeaveOut={(drill) => setDraft(without(shown, rung, drill))}
          onAdd={(drill) => setDraft(withDrill(shown, rung, drill))}
        />
      ))}
      {draft === null
        ? null
        : ladderFaults(next, library.drills).map((fault) => (
            <Caution key={fault}>{`It lacks: ${fault.split(': ')[1]}.`}</Caution>
          ))}
      {state.error ? <Caution>{problemOf(state.error).detail}</Caution> : null}
      {changes && draft === null ? (
        <Action label="Change this ladder" onPress={() => setDraft(ladderDraftOf(now))} testID="ladder-change" />
      ) : null}
      {draft === null ? null : (
        <>
          <Action
            label="Save as our own ladder"
            onPress={() => void save(rungsFrom(draft))}
            disabled={rungsFrom(draft).length === 0}
            busy={state.isLoading}
            testID="ladder-save"
          />
          <Action kind="quiet" label="Leave it as it is" onPress={() => setDraft(null)} />
        </>
      )}
      {changes && draft === null && now.ordered ? (
        <Action kind="quiet" label="Back to the usual ladder" onPress={() => void save(null)} testID="ladder-usual" />
      ) : null}
      {versions.map((v) => (
        <Text key={v.version} variant="bodySmall" style={{ color: palette.soft }}>
          {`Version ${v.version}, ${weekDay(v.at.slice(0, 10))}${v.by ? `, ${v.by}` : ''}: ${v.rungs === null ? 'the usual ladder again' : v.rungs.map((r) => `rung ${r.rung} ${r.drills.length}`).join(', ')}.`}
        </Text>
      ))}
    </Screen>
  );
}

interface RungProps {
  readonly rung: Rung;
  readonly drills: readonly Drill[];
  readonly more: readonly Drill[];
  readonly skip: string | undefined;
  readonly discipline: Discipline;
  /** Null while the ladder is only read. */
  readonly onRaise: ((drill: string) => void) | null;
  readonly onLeaveOut: (drill: string) => void;
  readonly onAdd: (drill: string) => void;
}

function RungPart({ rung, drills, more, skip, discipline, onRaise, onLeaveOut, onAdd }: RungProps) {
  const palette = usePalette();
  return (
    <View style={{ borderTopWidth: 1, borderColor: palette.line, paddingTop: SPACE.s, gap: SPACE.xs }}>
      <Text variant="titleMedium" role="heading" aria-level={2}>{`${rung} ${RUNG_NAMES[rung]}`}</Text>
      {drills.length === 0 && skip ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {skip}
        </Text>
      ) : null}
      {drills.map((drill, at) => (
        <View key={drill.id} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
          <View style={{ width: 72 }}>
            <Mannequin poses={drillPoses(drill, discipline)} aids={drill.equipment} throws="R" height={54} label="" />
          </View>
          <Text variant="bodyLarge" style={{ flex: 1 }}>
            {drill.name}
          </Text>
          {onRaise ? (
            <>
              {at === 0 ? null : (
                <IconButton
                  icon="arrow-up"
                  onPress={() => onRaise(drill.id)}
                  accessibilityLabel={`${drill.name}: one place up`}
                />
              )}
              <IconButton icon="close" onPress={() => onLeaveOut(drill.id)} accessibilityLabel={`${drill.name}: leave out`} />
            </>
          ) : null}
        </View>
      ))}
      {more.length > 0 ? (
        <Row>
          {more.map((drill) => (
            <Choice key={drill.id} label={`+ ${drill.name}`} chosen={false} onPress={() => onAdd(drill.id)} />
          ))}
        </Row>
      ) : null}
    </View>
  );
}
