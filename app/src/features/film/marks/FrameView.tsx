import { useEffect, useRef, useState } from 'react';
import type { PointerEvent } from 'react';
import type { Pictures } from '../media/film-info';
import { paintLoupe } from './paint';
import type { At, Ink, Window } from './paint';

/** What a touch on the picture does; null: the picture only shows. */
export interface Touch {
  /** Shows what lies under the finger. */
  readonly loupe: boolean;
  /** The way of the finger, from where it was set down to where it was lifted. */
  readonly onDone: (stroke: readonly At[]) => void;
}

interface Props {
  readonly pictures: Pictures;
  readonly frame: number;
  /** Paints over the picture; `unit` is a pixel of the glass, `stroke` what the finger has drawn so far. */
  readonly paint: (ctx: Ink, unit: number, stroke: readonly At[] | null) => void;
  readonly touch: Touch | null;
  /** The part that is shown; left out: all of it. */
  readonly part?: Window | null;
  /** Room for the picture, pixels of the glass. */
  readonly highest: number;
  readonly label: string;
  readonly testID?: string;
}

const sizeOf = ({ info: { width, height } }: Pictures) => ({ width, height });

/** One frame of a clip, and what is painted over it. It is as wide as it may be, or as high. */
export function FrameView({ pictures, frame, paint, touch, part, highest, label, testID = 'frame' }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [stroke, setStroke] = useState<readonly At[] | null>(null);
  const [shown, setShown] = useState(-1);
  const { x, y, width, height } = part ?? { x: 0, y: 0, ...sizeOf(pictures) };
  useEffect(() => {
    let late = false;
    pictures.frame(frame).then(
      (picture) => {
        const ctx = canvas.current?.getContext('2d');
        if (late || !ctx || !picture) return;
        // Strokes keep their size on the glass, however small the picture stands.
        const unit = width / Math.max(1, canvas.current!.clientWidth);
        ctx.setTransform(1, 0, 0, 1, -x, -y);
        const whole = sizeOf(pictures);
        ctx.drawImage(picture, 0, 0, whole.width, whole.height);
        paint(ctx, unit, stroke);
        const finger = stroke?.[stroke.length - 1];
        if (finger && touch?.loupe) paintLoupe(ctx, picture, finger, unit, { x, y, width, height });
        setShown(frame);
      },
      () => undefined,
    );
    return () => {
      late = true;
    };
  }, [pictures, frame, paint, touch, stroke, x, y, width, height]);
  const place = (event: PointerEvent<HTMLCanvasElement>): At => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (value: number, from: number, size: number) => Math.max(0, Math.min(1, (value - from) / size));
    return [x + share(event.clientX, box.left, box.width) * width, y + share(event.clientY, box.top, box.height) * height];
  };
  return (
    <canvas
      ref={canvas}
      width={width}
      height={height}
      role="img"
      aria-label={label}
      data-testid={testID}
      data-shown={shown}
      style={{
        display: 'block',
        width: '100%',
        maxWidth: (highest * width) / height,
        margin: '0 auto',
        touchAction: touch ? 'none' : 'auto',
        cursor: touch ? 'crosshair' : 'default',
        borderRadius: 6,
        background: '#101312',
      }}
      onPointerDown={(event) => {
        if (!touch) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        setStroke([place(event)]);
      }}
      onPointerMove={(event) => {
        if (stroke) setStroke([...stroke, place(event)]);
      }}
      onPointerUp={(event) => {
        if (!stroke) return;
        touch?.onDone([...stroke, place(event)]);
        setStroke(null);
      }}
      onPointerCancel={() => setStroke(null)}
    />
  );
}
