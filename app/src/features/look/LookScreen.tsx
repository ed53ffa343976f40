import { linkName, LINKS } from '@wrightonic/core';
import { linkMovement } from '@wrightonic/core/simulate';
import type { FindingId, Link } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { AnswerRow } from '../../parts/AnswerRow';
import { Action, Caution, Loading } from '../../ui/controls';
import { Panes, Row, Screen, useWide } from '../../ui/layout';
import { Mannequin } from '../../ui/Mannequin';
import { SPACE, usePalette } from '../../ui/theme';
import { percent } from '../../ui/words';
import { Details } from './Details';
import { Results } from './Results';
import { canShow, ShownQuestion } from './ShownQuestion';
import { Thoughts } from './Thoughts';
import { LOOKS_AT_ONCE, useLooks } from './use-looks';
import { useSaid } from './use-said';
import type { LookPage } from './use-looks';
import { useVocabulary } from '../../ui/vocabulary';

const PAGES: readonly LookPage[] = [...LINKS, 'ask', 'results'];
const OTHER_PAGES = { ask: 'Ask the athlete', results: 'How it comes out' } as const;
const isLink = (page: LookPage): page is Link => page !== 'ask' && page !== 'results';

/** Ball in one hand: one link at a time, one tap for each thing to see. */
export function LookScreen({ id }: { readonly id: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const [page, setPage] = useState(0);
  const [all, setAll] = useState(false);
  const [shown, setShown] = useState<FindingId | null>(null);
  const turn = (to: number) => {
    setPage(to);
    setAll(false);
    setShown(null);
  };
  const athlete = overview?.athlete;
  const current = PAGES[page]!;
  const movement = useMemo(
    () =>
      athlete && overview && isLink(current)
        ? linkMovement(current, athlete.discipline, athlete.heightM, overview.age)
        : undefined,
    [athlete, overview, current],
  );
  const said = useSaid(id, me?.academy.today ?? '');
  const { diagnosis, error, refused, looks, answer } = useLooks(
    id,
    athlete?.discipline ?? 'overhand',
    current,
    me?.academy.today ?? '',
  );
  if (!athlete || !diagnosis)
    return error ? (
      <Screen>
        <Caution>{problemOf(error).detail}</Caution>
      </Screen>
    ) : (
      <Loading />
    );
  const top = diagnosis.result.roots[0];
  const last = page === PAGES.length - 1;
  const nameOf = (of: LookPage) => (isLink(of) ? linkName(of, athlete.discipline) : OTHER_PAGES[of]);
  const name = nameOf(current);
  const settled = diagnosis.result.lookingSettled;
  return (
    <Screen
      footer={
        <>
          <Text variant="bodySmall" style={{ color: palette.soft }} testID="so-far" numberOfLines={2}>
            {top
              ? `Most likely so far: ${say.title(top.finding).toLowerCase()}, ${percent(top.probability)}${settled ? '. Enough seen: more looking would hardly change the focus.' : ''}`
              : settled
                ? 'Enough seen: nothing stands out, and more looking would hardly change that.'
                : 'Most likely so far: not enough seen'}
          </Text>
          <Row style={{ flexWrap: 'nowrap' }}>
            <View style={{ flex: 1 }}>
              <Action kind="quiet" label="Back" disabled={page === 0} onPress={() => turn(page - 1)} />
            </View>
            <View style={{ flex: 2 }}>
              {last || settled ? (
                <Action label="What is it?" onPress={() => router.push(`/athletes/${id}/what`)} testID="to-what" />
              ) : (
                <Action
                  label={`Next: ${isLink(PAGES[page + 1]!) ? nameOf(PAGES[page + 1]!) : nameOf(PAGES[page + 1]!).toLowerCase()}`}
                  onPress={() => turn(page + 1)}
                  testID="next-link"
                />
              )}
            </View>
            {settled && !last ? (
              <View style={{ flex: 1 }}>
                <Action kind="quiet" label="Next" onPress={() => turn(page + 1)} testID="next-link" />
              </View>
            ) : null}
          </Row>
        </>
      }
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.m }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          {name}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`${athlete.name} · ${page + 1} of ${PAGES.length}`}
        </Text>
      </View>
      <Panes weights={[2, 3]}>
        {!isLink(current) ? (
          <Text style={{ color: palette.soft }}>
            {current === 'ask'
              ? 'What the athlete thinks about is a cause like any other. Ask openly, then tap what you heard.'
              : 'Results tell what may be left alone. A slow try tells body from timing; a clean drill tells what was not carried over.'}
          </Text>
        ) : (
          <Mannequin
            movement={movement}
            moving
            throws={athlete.throws}
            heightM={athlete.heightM}
            age={overview.age}
            height={wide ? 320 : 168}
            label={`Figure at ${name}`}
          />
        )}
        <View>
          {error ? <Caution>{problemOf(error).detail}</Caution> : null}
          {refused ? <Caution testID="look-refused">{refused}</Caution> : null}
          {(all ? looks : looks.slice(0, LOOKS_AT_ONCE)).map((look) => (
            <View
              key={look.finding.id}
              style={{ paddingVertical: SPACE.m, gap: SPACE.s, borderBottomWidth: 1, borderColor: palette.line }}
            >
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
                <Text variant="bodyMedium" style={{ flex: 1 }}>
                  {look.finding.eyeCheck}
                </Text>
                {isLink(current) && canShow(look.finding, athlete.discipline) ? (
                  <Action
                    kind="plain"
                    label={shown === look.finding.id ? 'Hide' : 'Show'}
                    onPress={() => setShown(shown === look.finding.id ? null : look.finding.id)}
                    testID={`show-${look.finding.id}`}
                  />
                ) : null}
              </View>
              {isLink(current) && shown === look.finding.id ? (
                <ShownQuestion finding={look.finding} link={current} athlete={athlete} age={overview.age} />
              ) : null}
              <AnswerRow look={look} onAnswer={answer} />
            </View>
          ))}
          {isLink(current) ? <Details link={current} discipline={athlete.discipline} said={said} /> : null}
          {current === 'ask' ? <Thoughts discipline={athlete.discipline} said={said} /> : null}
          {current === 'results' ? <Results athlete={athlete} said={said} /> : null}
          {!all && looks.length > LOOKS_AT_ONCE ? (
            <Action
              kind="plain"
              label={`Show ${looks.length - LOOKS_AT_ONCE} more`}
              onPress={() => setAll(true)}
              testID="more-looks"
            />
          ) : null}
        </View>
      </Panes>
    </Screen>
  );
}
