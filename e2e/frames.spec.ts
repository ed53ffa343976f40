import { expect, test } from './test';

interface Decoded {
  readonly info: { readonly frames: number; readonly playFps: number; readonly captureFps: number | null };
  readonly seen: readonly { readonly index: number; readonly number: number }[];
}
interface Renderer {
  readonly decode: (wanted: object, order: 'all' | readonly number[]) => Promise<Decoded>;
  readonly close: () => Promise<void>;
}

const ATHLETE = {
  discipline: 'windmill',
  throws: 'L',
  birthDate: '2010-01-15',
  heightM: 1.7,
  massKg: 60,
  level: 'high-school',
} as const;

test('stepping on, back and jumping shows the asked frame: its number is drawn in it', async () => {
  test.setTimeout(180_000);
  const { renderer } = (await import('../scripts/lib/renderer.mjs' as string)) as { renderer: () => Promise<Renderer> };
  const { decode, close } = await renderer();
  try {
    for (const format of ['mp4', 'webm'])
      for (const jitter of [0, 0.3]) {
        const wanted = {
          seed: 9,
          athlete: ATHLETE,
          faults: {},
          view: 'side-open',
          captureFps: 120,
          playFps: 30,
          width: 320,
          height: 180,
          format,
          jitter,
        };
        const on = await decode(wanted, 'all');
        const { frames } = on.info;
        expect(frames).toBeGreaterThan(120);
        expect(on.info).toMatchObject({ captureFps: 120, playFps: expect.closeTo(30, 0) as unknown });
        const back = await decode(wanted, [...Array(frames).keys()].reverse());
        let state = 11;
        const somewhere = () => (state = (state * 48_271) % 2_147_483_647) % frames;
        const jumps = await decode(
          wanted,
          Array.from({ length: 40 }, somewhere).flatMap((f) => [f, Math.min(f + 1, frames - 1), Math.max(0, f - 1)]),
        );
        for (const { seen } of [on, back, jumps])
          expect([format, jitter, seen.filter((s) => s.number !== s.index)]).toEqual([format, jitter, []]);
      }
  } finally {
    await close();
  }
});
