import { may } from '@wrightonic/contract';
import type { ClipRow, FilmSetup } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../../data/api';
import type { UploadState } from '../../../data/uploads';
import { Action, Blank, Caution, LinkRow, Loading } from '../../../ui/controls';
import { chooseFile } from '../../../ui/files';
import { Row, Screen, Section } from '../../../ui/layout';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import { weekDay } from '../../../ui/words';
import { BringIn } from './BringIn';
import { BadVideo } from '../media/film-info';
import { MadeUpClip } from './MadeUpClip';
import { RecordClip } from './RecordClip';
import { VIEW_WORDS } from '../../../ui/views';
import { lookInto, useFilm } from './use-film';
import type { Chosen } from './use-film';

type Shown = Pick<ClipRow, 'id' | 'on' | 'name' | 'setup' | 'captureFps' | 'frames' | 'poster'> & {
  readonly marked: boolean;
  readonly upload: UploadState | null;
  readonly bytes: number;
};

function uploadText({ sent, problem }: UploadState, bytes: number): string {
  return problem ?? `${Math.round((100 * sent) / bytes)} % with the server`;
}

function ClipLine({ clip, onOpen }: { readonly clip: Shown; readonly onOpen: () => void }) {
  const palette = usePalette();
  return (
    <LinkRow onPress={onOpen} testID={`clip-${clip.id}`}>
      <Row style={{ flexWrap: 'nowrap', gap: SPACE.m }}>
        <View style={{ width: 96, height: 54, borderRadius: RADIUS, overflow: 'hidden', backgroundColor: palette.line }}>
          {clip.poster ? <img src={clip.poster} alt="" style={{ width: '100%', height: '100%', objectFit: 'cover' }} /> : null}
        </View>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text variant="bodyMedium" style={{ fontWeight: '600' }} numberOfLines={1}>
            {`${VIEW_WORDS[clip.setup.view].name}, ${clip.captureFps} a second`}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }} numberOfLines={1}>
            {`${(clip.frames / clip.captureFps).toFixed(1)} s · ${clip.name}`}
          </Text>
          <Text variant="bodySmall" style={{ color: clip.upload?.problem ? palette.clay : palette.soft }} numberOfLines={2}>
            {clip.upload ? uploadText(clip.upload, clip.bytes) : clip.marked ? 'marked and measured' : 'not marked yet'}
          </Text>
        </View>
      </Row>
    </LinkRow>
  );
}

/** How to film, where there is nothing yet. */
function HowToFilm() {
  return (
    <Blank title="No clips yet">
      One throw a clip. The camera at hip height and level, on a stand, five to seven metres away, square to the side for a start.
      The athlete at least half the frame high, whole from the set to the finish. The highest rate that the phone has.
    </Blank>
  );
}

/** An athlete's clips by day, those on their way to the server among them. */
export function FilmScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data: overview } = api.useAthleteQuery({ athlete: id });
  const { data: rows, error, isLoading } = api.useClipsQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const film = useFilm(id);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [way, setWay] = useState<'record' | 'made-up' | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (!me || !overview || (isLoading && film.kept.length === 0)) return <Loading />;
  const mayFilm = may(me.role, 'film');
  const open = (clip: string) => router.push(`/athletes/${id}/clip?clip=${clip}`);
  const take = async (file: File | null, view?: FilmSetup['view']) => {
    setWay(null);
    setWrong(null);
    if (!file) return;
    setBusy(true);
    try {
      setChosen({ ...(await lookInto(file)), view });
    } catch (problem) {
      setWrong(problem instanceof BadVideo ? problem.message : 'This file cannot be read here. Export the clip as MP4 or WebM.');
    }
    setBusy(false);
  };
  const keep = (picked: Chosen) => (setup: FilmSetup, captureFps: number, on: string) => {
    setBusy(true);
    film.keep(picked, setup, captureFps, on).then(
      (clip) => {
        setBusy(false);
        setChosen(null);
        open(clip);
      },
      () => {
        setBusy(false);
        setWrong('There is no room on this device to keep the clip. Free some, and choose it again.');
      },
    );
  };
  const keptIds = new Set(film.kept.map((k) => k.id));
  const shown: Shown[] = [
    ...film.kept.map((k) => ({
      ...k.clip,
      id: k.id,
      marked: false,
      upload: film.uploads.get(k.id) ?? { sent: 0, problem: null, refused: false },
    })),
    ...(rows ?? [])
      .filter((r) => !keptIds.has(r.id))
      .map((r) => ({
        ...r,
        upload:
          r.received < r.bytes
            ? { sent: r.received, problem: 'Its upload goes on from the device that has it.', refused: false }
            : null,
      })),
  ];
  const days = [...new Set(shown.map((c) => c.on))].sort().reverse();
  const consented = overview.filmConsent;
  return (
    <Screen
      width={760}
      footer={
        mayFilm && !chosen && way === null ? (
          <Action
            label="Bring in a clip"
            busy={busy}
            disabled={!consented}
            onPress={() => void chooseFile('video/mp4,video/webm,video/quicktime,.mp4,.webm,.mov').then((file) => take(file))}
            testID="bring-in"
          />
        ) : undefined
      }
    >
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Film
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {overview.athlete.name}
        </Text>
      </View>
      {mayFilm && !consented ? (
        <Caution testID="no-consent">Nobody has agreed that this athlete is filmed. Until then no clip is taken in.</Caution>
      ) : null}
      {mayFilm && !consented ? (
        <Row>
          <Action
            kind="quiet"
            label="Contacts and consent"
            onPress={() => router.push(`/athletes/${id}/family`)}
            testID="to-consent"
          />
        </Row>
      ) : null}
      {wrong ? <Caution testID="bad-clip">{wrong}</Caution> : null}
      {error && film.kept.length === 0 ? <Caution>{problemOf(error).detail}</Caution> : null}
      {chosen ? (
        <BringIn chosen={chosen} today={me.academy.today} onKeep={keep(chosen)} onCancel={() => setChosen(null)} busy={busy} />
      ) : way === 'record' ? (
        <RecordClip onClip={(file) => void take(file)} />
      ) : way === 'made-up' ? (
        <MadeUpClip athlete={overview.athlete} onClip={(file, view) => void take(file, view)} />
      ) : (
        <>
          {shown.length === 0 ? <HowToFilm /> : null}
          {days.map((day) => (
            <Section key={day} title={weekDay(day)}>
              {shown
                .filter((c) => c.on === day)
                .map((clip) => (
                  <ClipLine key={clip.id} clip={clip} onOpen={() => open(clip.id)} />
                ))}
            </Section>
          ))}
          {shown.filter((c) => c.marked).length > 0 ? (
            <Row>
              <Action
                kind="quiet"
                label="Compare two clips"
                onPress={() => router.push(`/athletes/${id}/compare`)}
                testID="open-compare"
              />
            </Row>
          ) : null}
          {mayFilm && consented ? (
            <Row>
              <Action kind="plain" label="Film with this device" onPress={() => setWay('record')} testID="record" />
              <Action kind="plain" label="A made-up throw, to try things on" onPress={() => setWay('made-up')} testID="made-up" />
            </Row>
          ) : null}
        </>
      )}
    </Screen>
  );
}
