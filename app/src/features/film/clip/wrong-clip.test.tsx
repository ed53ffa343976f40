import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { EMPTY_MARKS } from '@wrightonic/contract';
import type { ClipMarks } from '@wrightonic/contract';
import { clipFaults, measureThrow } from '@wrightonic/core';
import { drawFilmTrial, filmedThrows } from '@wrightonic/core/simulate';
import type { ClipFault, MeasureRequest, CLIP_FAULTS } from '@wrightonic/core';
import { leavePage, ME, openPage } from '../../../testing/page';
import type { ClipFacts } from './use-clip';
import { WrongClip } from './WrongClip';

afterEach(leavePage);

const filmed = (view: 'side-open' | 'front' = 'side-open'): MeasureRequest =>
  filmedThrows(drawFilmTrial(4_400, { discipline: 'overhand', view, faults: {} }))[0]!;
const clip = { id: 'c', captureFps: 240 } as ClipFacts;
const SCALE = { by: 'tape', metres: 2, from: [100, 100], to: [100, 400] } as const;

function open(faults: readonly ClipFault[], marks: ClipMarks = EMPTY_MARKS, mayChange = true) {
  const onChange = jest.fn();
  const page = openPage(
    <WrongClip athlete="a" clip={clip} faults={faults} marks={marks} onChange={mayChange ? onChange : null} />,
    { '/api/me': ME },
    {},
  );
  return { ...page, onChange };
}

describe('a clip that contradicts itself', () => {
  const turned = () => ({ ...filmed(), view: 'side-closed' as const });

  it('says why before any number, and is put right by one tap', async () => {
    const faults = clipFaults(turned());
    const { sent } = open(faults);
    expect(screen.getByText(new RegExp(faults[0]!.why.slice(0, 30), 'i'))).toBeTruthy();
    fireEvent.press(screen.getByText('It was the open side'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.url).toMatch(/\/athletes\/a\/clips\/c\/setup$/);
    expect(sent[0]!.body).toEqual({ view: 'side-open' });
    // And by that it is right.
    expect(clipFaults({ ...turned(), view: 'side-open' })).toEqual([]);
  });

  it('offers both ends of the field where the side cannot be told', () => {
    const faults = clipFaults({ ...filmed('front'), view: 'side-open' });
    open(faults.filter((f) => f.kind === 'view'));
    expect(screen.getByText('It was the front')).toBeTruthy();
    expect(screen.getByText('It was the rear')).toBeTruthy();
  });

  it('is given the rate that fits', async () => {
    const right = filmed();
    const faults = clipFaults({ ...right, fps: right.fps / 4 }).filter((f) => f.kind === 'rate');
    const { sent } = open(faults);
    fireEvent.press(screen.getByText(/^It was \d+ frames a second$/));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect((sent[0]!.body as { captureFps: number }).captureFps).toBeGreaterThan(right.fps / 4);
  });

  it('has its scale set by the standing height, in the marks and not in the set-up', () => {
    const right = filmed();
    const factor = 1.5;
    const [fault] = clipFaults({ ...right, scale: { metresPerUnit: factor * right.scale!.metresPerUnit } });
    const { sent, onChange } = open([fault!], { ...EMPTY_MARKS, scale: SCALE });
    fireEvent.press(screen.getByText('Scale it by the standing height'));
    expect(sent).toEqual([]);
    const [[marks]] = onChange.mock.calls as [[ClipMarks]];
    const metresPerUnit = marks.scale!.metres / 300;
    const to = (fault!.mends[0] as { to: number }).to;
    expect(metresPerUnit).toBeCloseTo(to, 4);
  });

  it('offers nothing to those who only look', () => {
    open(clipFaults(turned()), EMPTY_MARKS, false);
    expect(screen.queryByText('It was the open side')).toBeNull();
  });

  it('gives no number that counts, whatever is wrong with it', () => {
    const right = filmed();
    const { contact, release } = right.events;
    const wrong: Partial<Record<(typeof CLIP_FAULTS)[number], MeasureRequest>> = {
      away: turned(),
      rate: { ...right, fps: right.fps * 5 },
      order: { ...right, events: { ...right.events, contact: release!, release: contact! } },
      scale: { ...right, scale: { metresPerUnit: 2 * right.scale!.metresPerUnit } },
    };
    for (const [kind, request] of Object.entries(wrong)) {
      const { faults, measures } = measureThrow(request);
      expect([kind, faults.map((f) => f.kind)]).toEqual([kind, expect.arrayContaining([kind])]);
      expect(measures.filter((m) => m.valid)).toEqual([]);
      for (const m of measures.filter((x) => x.value !== null)) expect(m.why).toBe(faults[0]!.why);
    }
  });
});
