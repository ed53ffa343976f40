import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { PaperProvider } from 'react-native-paper';
import Svg from 'react-native-svg';
import { Circle, Path, Rect, Text as SvgText } from 'react-native-svg';
import { LevelChart } from './LevelChart';
import { LoadChart } from './LoadChart';
import { RepsChart } from './RepsChart';
import { shortDay } from './ChartFrame';
import { lightTheme } from './theme';

const WIDTH = 360;

function draw(element: React.ReactElement, sentence: string): void {
  render(<PaperProvider theme={lightTheme}>{element}</PaperProvider>);
  const picture = screen.getByLabelText(sentence);
  act(() => void fireEvent(picture, 'layout', { nativeEvent: { layout: { width: WIDTH, height: 100, x: 0, y: 0 } } }));
}
const all = <P,>(kind: React.ComponentType<P>): P[] => screen.UNSAFE_queryAllByType(kind).map((n) => n.props as P);
const writing = (): string[] => all(SvgText).map((t) => String(t.children as string | number));
const numbersIn = (path: string): number[] => path.match(/-?\d+(\.\d+)?/g)!.map(Number);

describe('a level over time', () => {
  const points = [0, 1, 2, 3, 4].map((n) => ({
    date: `2026-0${n + 1}-15`,
    level: 60 + n,
    low: 59 + n - 0.5,
    high: 61 + n + 0.25,
  }));
  const sentence = 'Level 64 mph, up 4.';
  const chart = (more: Partial<Parameters<typeof LevelChart>[0]> = {}) => (
    <LevelChart points={points} unit="mph" sentence={sentence} {...more} />
  );

  it('is drawn within its picture, band round the line, the last value written at its end', () => {
    draw(
      chart({
        dots: [
          { date: '2026-02-01', value: 58 },
          { date: '2026-04-20', value: 67 },
        ],
      }),
      sentence,
    );
    const height = Number(all(Svg)[0]!.height);
    for (const { d } of all(Path)) {
      const numbers = numbersIn(String(d));
      numbers.forEach((n, i) => {
        expect(n).toBeGreaterThanOrEqual(0);
        expect(n).toBeLessThanOrEqual(i % 2 === 0 ? WIDTH : height);
      });
    }
    for (const { cx, cy } of all(Circle)) {
      expect(Number(cx)).toBeGreaterThanOrEqual(30);
      expect(Number(cx)).toBeLessThanOrEqual(WIDTH - 46);
      expect(Number(cy)).toBeGreaterThanOrEqual(0);
      expect(Number(cy)).toBeLessThanOrEqual(height - 22);
    }
    expect(writing()).toEqual(expect.arrayContaining(['64.0', '15 Jan', '15 May']));
  });

  it('rises to the right where the level rises', () => {
    draw(chart(), sentence);
    const line = all(Path).find((p) => p.fill === 'none')!;
    const numbers = numbersIn(String(line.d));
    expect(numbers[0]!).toBeLessThan(numbers[numbers.length - 2]!);
    expect(numbers[1]!).toBeGreaterThan(numbers[numbers.length - 1]!);
  });

  it('says the same as a table, and goes back', () => {
    draw(chart(), sentence);
    fireEvent.press(screen.getByText('Show as a table'));
    expect(screen.queryByRole('img')).toBeNull();
    for (const { date, level, low, high } of points) {
      expect(screen.getByText(shortDay(date))).toBeTruthy();
      expect(screen.getByText(level.toFixed(1))).toBeTruthy();
      expect(screen.getByText(`${low.toFixed(1)}–${high.toFixed(1)}`)).toBeTruthy();
    }
    expect(screen.getByText('Level, mph')).toBeTruthy();
    fireEvent.press(screen.getByText('Show the chart'));
    expect(screen.getByLabelText(sentence)).toBeTruthy();
  });

  it('holds one day, and many hundreds', () => {
    draw(chart({ points: points.slice(0, 1) }), sentence);
    for (const { d } of all(Path)) expect(String(d)).not.toContain('NaN');
    screen.unmount();
    const many = Array.from({ length: 600 }, (_, n) => ({
      ...points[0]!,
      date: new Date(Date.UTC(2024, 0, 1 + n)).toISOString().slice(0, 10),
      level: 60 + Math.sin(n / 30),
    }));
    draw(chart({ points: many }), sentence);
    expect(all(Path).every((p) => !String(p.d).includes('NaN'))).toBe(true);
  });
});

describe('reps of each session', () => {
  const days = Array.from({ length: 20 }, (_, n) => ({
    on: `2026-03-${String(n + 1).padStart(2, '0')}`,
    reps: 20,
    good: n,
    close: 20 - n > 5 ? 5 : 20 - n,
    off: Math.max(0, 15 - n),
  }));
  const sentence = '19 of 20 good.';

  it('are bars of one height, filled by the share of good ones, the newest twelve', () => {
    draw(<RepsChart days={days} sentence={sentence} gate={0.8} />, sentence);
    const rects = all(Rect);
    expect(rects).toHaveLength(3 * 12);
    const [whole, , good] = rects as { height: number; y: number }[];
    for (let n = 0; n < 12; n++) {
      const of = rects.slice(3 * n, 3 * n + 3) as { height: number; y: number }[];
      expect(of[0]!.height).toBeCloseTo(whole!.height, 9);
      expect(of[2]!.height / of[0]!.height).toBeCloseTo(days[8 + n]!.good / 20, 9);
      expect(of[1]!.height / of[0]!.height).toBeCloseTo(days[8 + n]!.close / 20, 9);
      // Close stands on good, and both on the ground.
      expect(of[1]!.y + of[1]!.height).toBeCloseTo(of[2]!.y, 9);
      expect(of[2]!.y + of[2]!.height).toBeCloseTo(of[0]!.y + of[0]!.height, 9);
    }
    expect(good!.height).toBeGreaterThan(0);
    expect(writing()).toContain('gate 80 %');
  });

  it('are all in the table, the old ones too', () => {
    draw(<RepsChart days={days} sentence={sentence} gate={0.8} />, sentence);
    fireEvent.press(screen.getByText('Show as a table'));
    for (const { on } of days) expect(screen.getByText(shortDay(on))).toBeTruthy();
  });
});

describe('throws of each week', () => {
  const weeks = [40, 0, 120, 75].map((throws, n) => ({ from: `2026-03-0${1 + 7 * (n % 1) + n}`, throws, pitches: throws / 2 }));
  const sentence = 'Between 0 and 120 throws a week.';

  it('stand on one line, games within them', () => {
    draw(<LoadChart weeks={weeks} sentence={sentence} />, sentence);
    const rects = all(Rect) as { y: number; height: number; x: number; width: number }[];
    expect(rects).toHaveLength(8);
    const ground = rects[0]!.y + rects[0]!.height;
    weeks.forEach((week, n) => {
      const [throws, games] = [rects[2 * n]!, rects[2 * n + 1]!];
      expect(throws.y + throws.height).toBeCloseTo(ground, 9);
      expect(games.y + games.height).toBeCloseTo(ground, 9);
      expect(games.height).toBeCloseTo(throws.height / 2, 9);
      expect(throws.height / rects[4]!.height).toBeCloseTo(week.throws / 120, 9);
      expect(throws.x + throws.width).toBeLessThanOrEqual(WIDTH);
    });
  });

  it('are none in a year without any', () => {
    const none = Array.from({ length: 52 }, (_, n) => ({
      from: `2026-01-${String((n % 28) + 1).padStart(2, '0')}`,
      throws: 0,
      pitches: 0,
    }));
    draw(<LoadChart weeks={none} sentence="No throws." />, 'No throws.');
    for (const { height, width } of all(Rect) as { height: number; width: number }[]) {
      expect(height).toBe(0);
      expect(width).toBeGreaterThanOrEqual(2);
    }
  });
});
