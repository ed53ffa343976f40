import type { BodyPicture } from '@wrightonic/contract';
import type { Operation, Work } from '../../data/operations';
import { checkState, isDone } from './check-state';

const HIP = { test: 'hip-internal-rotation', side: 'drive' } as const;
const LEAD = { ...HIP, side: 'lead' } as const;
const reading = (id: string, value: number, moment: 'first' | 'after' = 'first'): Work => ({
  kind: 'reading',
  id,
  body: { ...HIP, check: 'c', value, readBy: 'tilt', moment },
});
const begin: Work = { kind: 'check', body: { on: '2026-05-04', kind: 'short', steps: [HIP, LEAD] } };
const operations = (
  works: readonly Work[],
  status: Operation['status'] = 'waiting',
  more: Partial<Operation> = {},
): Operation[] => works.map((work, seq) => ({ seq, user: 'u', athlete: 'a', session: 'c', work, status, reason: null, ...more }));
const picture = (check: BodyPicture['check']): BodyPicture => ({
  check,
  histories: [],
  insight: { limits: [], worthDoing: [] },
  anythingSeen: false,
});

describe('a body check on this device', () => {
  it('stands without a connection', () => {
    const state = checkState(operations([begin, reading('1', 30), reading('2', 32)]), 'a', 'u', undefined);
    expect(state).toMatchObject({ check: 'c', kind: 'short', steps: [HIP, LEAD], finished: false });
    expect(state.readings.map((r) => r.value)).toEqual([30, 32]);
    expect([isDone(state, HIP, 2), isDone(state, LEAD, 2)]).toEqual([true, false]);
  });

  it('counts nothing twice once the server has it, and takes back what was taken back', () => {
    const server = picture({
      id: 'c',
      on: '2026-05-04',
      kind: 'short',
      steps: [HIP, LEAD],
      finished: false,
      readings: [{ ...HIP, id: '1', check: 'c', value: 30, readBy: 'tilt', moment: 'first' }],
      notes: [],
    });
    const works = [begin, reading('1', 30), reading('2', 32)];
    expect(checkState(operations(works, 'sent'), 'a', 'u', server).readings).toHaveLength(2);
    const back = checkState(operations([...works, { kind: 'drop-reading', id: '1' }]), 'a', 'u', server);
    expect(back.readings.map((r) => r.id)).toEqual(['2']);
    expect(checkState([], 'a', 'u', server)).toMatchObject({ check: 'c', readings: [{ id: '1' }] });
  });

  it('does not count a reading after a hold, nor one that was refused', () => {
    const works = [begin, reading('1', 30), reading('2', 44, 'after')];
    expect(isDone(checkState(operations(works), 'a', 'u', undefined), HIP, 2)).toBe(false);
    const refused = [...operations([begin]), ...operations([reading('3', 300)], 'refused', { seq: 9, reason: 'cannot be' })];
    const state = checkState(refused, 'a', 'u', undefined);
    expect([state.readings, state.refused]).toEqual([[], ['cannot be']]);
  });

  it('is over for a side that hurt, and when it was ended', () => {
    const note: Work = { kind: 'note', id: 'n', body: { ...HIP, check: 'c', note: '', pain: { site: 'hip', score: 2 } } };
    const state = checkState(operations([begin, note, { kind: 'end-check' }]), 'a', 'u', undefined);
    expect([isDone(state, HIP, 2), state.finished]).toEqual([true, true]);
  });

  it('is nobody else’s', () => {
    expect(checkState(operations([begin], 'waiting', { user: 'other' }), 'a', 'u', undefined).check).toBeNull();
    expect(checkState(operations([begin]), 'b', 'u', undefined).check).toBeNull();
  });
});
