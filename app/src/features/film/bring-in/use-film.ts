import { clipTypeOf } from '@wrightonic/contract';
import type { ClipType, FilmSetup, NewClip } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api } from '../../../data/api';
import { newId } from '../../../data/ids';
import { keptClips } from '../../../data/storage';
import type { KeptClip } from '../../../data/storage';
import { useAppDispatch } from '../../../data/store';
import { sendClip } from '../../../data/uploads';
import type { UploadState } from '../../../data/uploads';
import { BadVideo } from '../media/film-info';
import { FrameSource } from '../media/frames';
import type { FilmInfo } from '../media/film-info';
import { posterOf } from '../media/poster';

/** A file that was chosen, and what was found in it. */
export interface Chosen {
  readonly file: File;
  readonly info: FilmInfo;
  readonly poster: string | null;
  /** From where it was filmed, when that is known already. */
  readonly view?: FilmSetup['view'];
}

const hex = (bytes: ArrayBuffer): string => [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');

/** The type by what a file holds, not by its name. @throws BadVideo */
async function typeOf(file: Blob): Promise<ClipType> {
  const head = new Uint8Array(await file.slice(0, 12).arrayBuffer());
  const type = clipTypeOf(head);
  if (type) return type;
  throw new BadVideo('This is no MP4, MOV or WebM video. Export the clip as one of them, and choose it again.');
}

/** Largest clip, as the server has it. */
const MOST_MB = 300;

/** Looks into a file that was chosen. @throws BadVideo with what is wrong and what to do */
export async function lookInto(file: File): Promise<Chosen> {
  if (file.size === 0) throw new BadVideo('The file is empty. Choose the clip again.');
  if (file.size > MOST_MB * 1024 * 1024)
    throw new BadVideo(`The clip is larger than ${MOST_MB} MB. Trim it on the phone to the throw itself.`);
  await typeOf(file);
  const source = await FrameSource.open(file);
  try {
    return { file, info: source.info, poster: await posterOf(source) };
  } finally {
    source.close();
  }
}

/** Clips on this device; a browser that keeps nothing has none. */
const keptOf = async (user: string, athlete: string): Promise<KeptClip[]> =>
  (await keptClips.all(user).catch(() => [])).filter((k) => k.athlete === athlete);

export interface Film {
  /** Clips that are on this device and not with the server yet. */
  readonly kept: readonly KeptClip[];
  readonly uploads: ReadonlyMap<string, UploadState>;
  /** Keeps a chosen clip on this device and begins to send it. @returns its id */
  readonly keep: (chosen: Chosen, setup: FilmSetup, captureFps: number, on: IsoDate) => Promise<string>;
}

/** Clips of an athlete on their way to the server; an upload that was cut off goes on by itself. */
export function useFilm(athlete: string): Film {
  const { data: me } = api.useMeQuery();
  const dispatch = useAppDispatch();
  const [kept, setKept] = useState<readonly KeptClip[]>([]);
  const [uploads, setUploads] = useState<ReadonlyMap<string, UploadState>>(new Map());
  const going = useRef(new Set<string>());
  const user = me?.id;
  const renew = useCallback(async () => {
    if (user) setKept(await keptOf(user, athlete));
  }, [user, athlete]);
  const send = useCallback(
    (clip: KeptClip) => {
      if (going.current.has(clip.id)) return;
      going.current.add(clip.id);
      void dispatch(sendClip(clip, (state) => setUploads((was) => new Map(was).set(clip.id, state)))).then(() => {
        going.current.delete(clip.id);
        return renew();
      });
    },
    [dispatch, renew],
  );
  useEffect(() => {
    if (!user) return undefined;
    let here = true;
    void keptOf(user, athlete).then((found) => (here ? setKept(found) : undefined));
    return () => {
      here = false;
    };
  }, [user, athlete]);
  // What waits is sent when the screen opens, and when the connection is back.
  useEffect(() => {
    const all = () => kept.filter((k) => !uploads.get(k.id)?.refused).forEach(send);
    if (kept.some((k) => !uploads.has(k.id))) all();
    window.addEventListener('online', all);
    return () => window.removeEventListener('online', all);
  }, [kept, uploads, send]);
  const keep: Film['keep'] = async ({ file, info, poster }, setup, captureFps, on) => {
    if (!user) throw new Error('nobody is signed in');
    const clip: NewClip = {
      on,
      name: file.name.slice(0, 200) || 'clip',
      type: await typeOf(file),
      bytes: file.size,
      sha256: hex(await crypto.subtle.digest('SHA-256', await file.arrayBuffer())),
      captureFps,
      frames: info.frames,
      width: info.width,
      height: info.height,
      setup,
      poster,
    };
    const id = newId();
    await keptClips.put({ id, user, athlete, clip, file });
    await renew();
    return id;
  };
  return { kept, uploads, keep };
}
