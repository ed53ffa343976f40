import { render, screen } from '@testing-library/react-native';
import { DISCIPLINES, DRILLS, drillPoses } from '@wrightonic/core';
import type { Hand } from '@wrightonic/core';
import { PaperProvider } from 'react-native-paper';
import Svg, { Circle, Path } from 'react-native-svg';
import { Mannequin } from './Mannequin';
import { lightTheme } from './theme';

type Drawn = {
  readonly width: number;
  readonly height: number;
  readonly paths: string[];
  readonly circles: Record<string, unknown>[];
};

function draw(props: Omit<React.ComponentProps<typeof Mannequin>, 'label'>): Drawn {
  const { unmount } = render(
    <PaperProvider theme={lightTheme}>
      <Mannequin label="Figure" {...props} />
    </PaperProvider>,
  );
  const { width, height } = screen.UNSAFE_getByType(Svg).props as { width: number; height: number };
  const drawn = {
    width,
    height,
    paths: screen.UNSAFE_queryAllByType(Path).map((n) => String((n.props as { d: string }).d)),
    circles: screen.UNSAFE_queryAllByType(Circle).map((n) => n.props as Record<string, unknown>),
  };
  unmount();
  return drawn;
}
/** The head, and the ball in the hand: the two circles that every figure has, drawn last of all kit. */
const headAndBall = ({ circles }: Drawn) => {
  const whole = circles.filter((c) => c.strokeWidth === 1.6);
  return whole.slice(-2) as unknown as readonly [{ cx: number; cy: number; r: number }, { cx: number; cy: number }];
};

describe('the figure', () => {
  it('of every drill stays in its picture, child and adult, left and right', () => {
    const out: string[] = [];
    for (const drill of DRILLS)
      for (const discipline of DISCIPLINES.filter((d) => drill.disciplines.includes(d)))
        for (const [heightM, age] of [
          [1.3, 9],
          [1.95, 22],
        ] as const) {
          const drawn = draw({ poses: drillPoses(drill, discipline), throws: 'R', heightM, age, aids: drill.equipment });
          const [head, ball] = headAndBall(drawn);
          const inside = ({ cx, cy }: { cx: number; cy: number }) => cx > 0 && cx < drawn.width && cy > 0 && cy < drawn.height;
          if (!inside(head) || !inside(ball) || drawn.paths.some((d) => d.includes('NaN')))
            out.push(`${drill.id} ${discipline} ${heightM} m`);
        }
    expect(out).toEqual([]);
  });

  it('of a left-hander is the mirrored picture of a right-hander’s', () => {
    for (const drill of DRILLS.slice(0, 25)) {
      const poses = drillPoses(drill, drill.disciplines[0]!);
      const of = (throws: Hand) => headAndBall(draw({ poses, throws }));
      const [right, left] = [of('R'), of('L')];
      const { width } = draw({ poses, throws: 'R' });
      for (const n of [0, 1] as const) {
        expect(left[n].cx).toBeCloseTo(width - right[n].cx, 6);
        expect(left[n].cy).toBeCloseTo(right[n].cy, 6);
      }
    }
  });

  it('draws the part in question heavier than anything else of the body', () => {
    const strokes = (stress: 'lead-leg' | null) => {
      render(
        <PaperProvider theme={lightTheme}>
          <Mannequin label="Figure" poses={['overhand-land']} throws="R" stress={stress} />
        </PaperProvider>,
      );
      const widths = screen.UNSAFE_queryAllByType(Path).map((n) => Number((n.props as { strokeWidth: number }).strokeWidth));
      screen.unmount();
      return widths;
    };
    expect(strokes('lead-leg').filter((w) => w === 4.6)).toHaveLength(3);
    expect(strokes(null).filter((w) => w === 4.6)).toHaveLength(0);
  });

  it('stands still for whoever wishes less motion', () => {
    const before = Object.getOwnPropertyDescriptor(window, 'matchMedia');
    const timer = jest.spyOn(global, 'setInterval');
    try {
      Object.assign(window, { matchMedia: () => ({ matches: true }) });
      draw({ poses: ['overhand-lift', 'overhand-land'], throws: 'R', moving: true });
      expect(timer).not.toHaveBeenCalled();
      Object.assign(window, { matchMedia: () => ({ matches: false }) });
      draw({ poses: ['overhand-lift', 'overhand-land'], throws: 'R', moving: true });
      expect(timer).toHaveBeenCalled();
    } finally {
      if (before) Object.defineProperty(window, 'matchMedia', before);
      else Reflect.deleteProperty(window, 'matchMedia');
      timer.mockRestore();
    }
  });
});
