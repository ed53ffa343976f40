import type { Input, InputVideoTrack, VideoSample, VideoSampleSink } from 'mediabunny';
import { BadVideo, captureRate } from './film-info';
import type { FilmInfo, Pictures } from './film-info';

/** What reads containers and decodes is large: it is loaded with the first clip. @throws BadVideo when it cannot be had */
const loadMedia = () =>
  import('mediabunny').catch(() => {
    throw new BadVideo('What reads clips could not be loaded. Go where there is a signal once, and open the clip again.');
  });

type Media = Awaited<ReturnType<typeof loadMedia>>;

/** Room for decoded frames, bytes: stepping to and fro is quick, and memory stays bounded whatever the clip. */
const ROOM = 128 * 1024 * 1024;

const BYTES_A_PIXEL = 4;

/** Bounds of how many decoded frames are kept. */
const KEPT = [8, 48] as const;

/** Frames kept before one that was jumped to. */
const A_FEW = 3;

interface Packets {
  /** Times of all frames in the order in which they are shown, seconds. */
  readonly times: readonly number[];
  /** Numbers of the frames from which decoding can begin. */
  readonly keys: readonly number[];
}

async function packetsOf({ EncodedPacketSink }: Media, track: InputVideoTrack): Promise<Packets> {
  const found: { time: number; key: boolean }[] = [];
  for await (const { timestamp, type } of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true }))
    found.push({ time: timestamp, key: type === 'key' });
  found.sort((a, b) => a.time - b.time);
  const keys = found.flatMap(({ key }, i) => (key ? [i] : []));
  return { times: found.map((f) => f.time), keys: keys[0] === 0 ? keys : [0, ...keys] };
}

/** Where decoding stands: the frames come one after another from here. */
interface Run {
  readonly samples: AsyncGenerator<VideoSample, void, unknown>;
  next: number;
}

/**
 * A clip frame by frame, by decoding: the frame that is asked for is the frame that is shown. Frames are numbered in the order in
 * which they are shown, whatever their rate.
 *
 * Stepping on goes on decoding where it stands. Stepping back decodes from the key frame before, keeps what comes shortly before the
 * asked frame, and fetches more of it before it runs out.
 */
export class FrameSource implements Pictures {
  private readonly kept = new Map<number, ImageBitmap>();
  private readonly most: number;
  private run: Run | null = null;
  private last = -1;
  private closed = false;
  /** Decoding is one thing after another; frames that are kept do not wait for it. */
  private line: Promise<unknown> = Promise.resolve();

  private constructor(
    private readonly input: Input,
    private readonly sink: VideoSampleSink,
    private readonly packets: Packets,
    readonly info: FilmInfo,
  ) {
    const fitting = Math.floor(ROOM / (BYTES_A_PIXEL * info.width * info.height));
    this.most = Math.max(KEPT[0], Math.min(KEPT[1], fitting));
  }

  /**
   * @param file a file of this device, or the address of one, which is read in ranges as frames are asked for
   * @throws BadVideo when the file is none that can be read
   */
  static async open(file: Blob | string): Promise<FrameSource> {
    const media = await loadMedia();
    const source = typeof file === 'string' ? new media.UrlSource(file) : new media.BlobSource(file);
    const input = new media.Input({ source, formats: [media.MP4, media.QTFF, media.WEBM, media.MATROSKA] });
    let track: InputVideoTrack | null;
    try {
      track = await input.getPrimaryVideoTrack();
    } catch {
      throw new BadVideo('This file is no video that can be read. Export the clip as MP4, MOV or WebM.');
    }
    if (!track) throw new BadVideo('There is no picture in this file.');
    if (!(await track.canDecode()))
      throw new BadVideo(
        track.codec === 'hevc'
          ? 'This browser cannot decode HEVC. On the phone set the camera to “Most compatible”, or share the clip as H.264, and film or export it again.'
          : 'This device cannot decode the clip. Export it as MP4 or MOV (H.264), or WebM.',
      );
    const packets = await packetsOf(media, track).catch(() => null);
    if (!packets) throw new BadVideo('The file ends in the middle, or is broken. Export the clip again.');
    const { times } = packets;
    if (times.length < 2) throw new BadVideo('The clip has fewer than two frames.');
    const tags = await input.getMetadataTags().catch(() => null);
    const span = times[times.length - 1]! - times[0]!;
    const frameS = span / (times.length - 1);
    const uneven = Math.max(...times.map((time, i) => Math.abs((time - times[0]!) / frameS - i)));
    return new FrameSource(input, new media.VideoSampleSink(track), packets, {
      frames: times.length,
      playFps: Math.round(100 * ((times.length - 1) / span)) / 100,
      captureFps: captureRate(tags?.raw, tags?.comment),
      width: track.displayWidth,
      height: track.displayHeight,
      uneven,
    });
  }

  /** How many decoded frames are kept now, and how many at most. */
  get memory(): { readonly frames: number; readonly most: number } {
    return { frames: this.kept.size, most: this.most };
  }

  /** A frame as a picture. It belongs to the source: draw it at once. @returns null once the source is closed */
  async frame(index: number): Promise<ImageBitmap | null> {
    const wanted = Math.max(0, Math.min(index, this.info.frames - 1));
    const back = wanted < this.last;
    this.last = wanted;
    const known = this.kept.get(wanted);
    if (known) {
      // Newest last: the oldest is thrown away first.
      this.kept.delete(wanted);
      this.kept.set(wanted, known);
    } else await this.inLine(() => this.decode(wanted));
    if (back) this.fetchBefore(wanted);
    return this.kept.get(wanted) ?? null;
  }

  /**
   * Frames one after another, from one to another, each decoded once: for whoever looks at all of them. What `see` is given is
   * closed when it is done.
   */
  async walk(from: number, to: number, see: (sample: VideoSample, index: number) => Promise<void> | void): Promise<void> {
    const run = this.begin(Math.max(0, from));
    for (;;) {
      const { value: sample, done } = await run.samples.next();
      if (done || !sample) return;
      try {
        const index = run.next++;
        if (index > to) {
          await run.samples.return();
          return;
        }
        if (index >= from) await see(sample, index);
      } finally {
        sample.close();
      }
    }
  }

  close(): void {
    this.closed = true;
    for (const picture of this.kept.values()) picture.close();
    this.kept.clear();
    void this.run?.samples.return();
    this.input.dispose();
  }

  private inLine(work: () => Promise<void>): Promise<void> {
    const done = this.line.then(work);
    this.line = done.catch(() => undefined);
    return done;
  }

  /** The last key frame up to a frame. */
  private keyBefore(index: number): number {
    const { keys } = this.packets;
    let [low, high] = [0, keys.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (keys[middle]! <= index) low = middle;
      else high = middle - 1;
    }
    return keys[low]!;
  }

  private begin(index: number): Run {
    const from = this.keyBefore(index);
    return { samples: this.sink.samples(this.packets.times[from]!), next: from };
  }

  private async decode(wanted: number, before = A_FEW): Promise<void> {
    if (this.closed || this.kept.has(wanted)) return;
    if (!this.run || this.run.next > wanted || this.keyBefore(wanted) > this.run.next) {
      void this.run?.samples.return();
      this.run = this.begin(wanted);
    }
    const { run } = this;
    // What lies shortly before is kept too, for whoever steps back.
    const keepFrom = wanted - before;
    while (run.next <= wanted) {
      const { value: sample, done } = await run.samples.next();
      if (done || !sample) throw new BadVideo(`Frame ${wanted} cannot be decoded. The file ends before it.`);
      const index = run.next++;
      if (this.closed) sample.close();
      else if (index >= keepFrom) this.keep(index, sample);
      else sample.close();
    }
  }

  private keep(index: number, sample: VideoSample): void {
    const canvas = new OffscreenCanvas(this.info.width, this.info.height);
    sample.draw(canvas.getContext('2d')!, 0, 0, this.info.width, this.info.height);
    sample.close();
    this.kept.get(index)?.close();
    this.kept.delete(index);
    this.kept.set(index, canvas.transferToImageBitmap());
    for (const [old, bitmap] of this.kept) {
      if (this.kept.size <= this.most) break;
      bitmap.close();
      this.kept.delete(old);
    }
  }

  /** Whoever steps back goes on stepping back: what comes next that way is fetched before it is asked for. */
  private fetchBefore(index: number): void {
    let first = index;
    while (this.kept.has(first - 1)) first--;
    if (first === 0 || index - first > this.most >> 2) return;
    this.inLine(() => this.decode(first - 1, this.most >> 1)).catch(() => undefined);
  }
}
