import { createHash, randomBytes } from 'node:crypto';
import type { NewClip } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import type { Client, Harness } from './harness';

/** Bytes that begin as a WebM does. */
export const webm = (size: number): Buffer => Buffer.concat([Buffer.from([0x1a, 0x45, 0xdf, 0xa3]), randomBytes(size - 4)]);

export const clipOf = (file: Buffer, more: Partial<NewClip> = {}): NewClip => ({
  on: '2026-05-04',
  name: 'throw.webm',
  type: 'video/webm',
  bytes: file.length,
  sha256: createHash('sha256').update(file).digest('hex'),
  captureFps: 240,
  frames: 400,
  width: 1280,
  height: 720,
  setup: { view: 'side-open', distanceM: 6, cameraHeightM: 1, level: true, whole: true },
  poster: null,
  ...more,
});

/** A measured stride of a day, as film leaves it: a clip, what it gave, and the link between them. @param effort null: not noted */
export async function measuredStride(
  { db }: Harness,
  client: Client,
  athlete: string,
  on: string,
  { value, sd, effort }: { readonly value: number; readonly sd: number; readonly effort: number | null },
): Promise<void> {
  const clip = uuid();
  const { setup } = clipOf(webm(64));
  await client
    .put(`/athletes/${athlete}/clips/${clip}`, clipOf(webm(64), { on, setup: effort === null ? setup : { ...setup, effort } }))
    .expect(200);
  const academy_id = client.academy;
  const observation = uuid();
  await db('observations').insert({
    id: observation,
    academy_id,
    athlete_id: athlete,
    on_date: on,
    author: 'film',
    source: 'film',
    evidence: JSON.stringify({ kind: 'measure', measure: 'stride-length', event: 'contact', value, unit: '%height', sd }),
  });
  await db('clip_measures').insert({ academy_id, clip_id: clip, observation_id: observation });
}
