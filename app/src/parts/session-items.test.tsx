import { fireEvent, screen } from '@testing-library/react-native';
import { DRILLS, RUNG_NAMES, UNITS, drillById } from '@wrightonic/core';
import type { PlanItem, PlanSession } from '@wrightonic/core';
import { leavePage, ME, openPage } from '../testing/page';
import { planOf } from '../testing/work';
import { drawnKit, LeadDrill, leadOf } from './LeadDrill';
import { doseText, SessionItems } from './SessionItems';

jest.mock('../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));
afterEach(leavePage);

const plan = planOf({ weeks: 4 });
const [session] = plan.sessions;
const open = (told: 'coach' | 'athlete') =>
  openPage(<SessionItems session={session!} discipline="overhand" throws="R" age={16} told={told} />, { '/api/me': ME });

describe('a dose', () => {
  const item = { sets: 3, reps: 6, throws: 0, effort: [0, 0] } as unknown as PlanItem;
  it.each([
    [item, '3 × 6', '3 × 6'],
    [{ ...item, holdS: 20 }, '3 × 6, held 20 s', '3 × 6, held 20 s'],
    [{ ...item, throws: 18, effort: [60, 75], distanceM: 12 }, '3 × 6, 60–75 %, 12 m', '3 × 6, 60–75 %, 39 ft'],
    [{ ...item, distanceM: 0 }, '3 × 6', '3 × 6'],
  ])('is said in few words: %#', (of, metric, feet) => {
    expect(doseText(of as PlanItem, UNITS.cm)).toBe(metric);
    expect(doseText(of as PlanItem, UNITS.in)).toBe(feet);
  });
});

describe('a session', () => {
  it('names every item with its dose, in its order', () => {
    open('coach');
    const rows = screen.getAllByRole('button');
    expect(rows).toHaveLength(session!.items.length);
    for (const [at, item] of session!.items.entries()) {
      expect(rows[at]).toHaveTextContent(new RegExp(drillById(item.drill).name));
      expect(rows[at]!).toHaveTextContent(doseText(item, UNITS.cm), { exact: false });
    }
  });

  it('opens an item to how it is done; a coach sees the rung and what to watch for, too', () => {
    open('coach');
    const at = session!.items.findIndex((i) => i.role === 'main');
    const item = session!.items[at]!;
    const drill = drillById(item.drill);
    fireEvent.press(screen.getAllByRole('button')[at]!);
    expect(screen.getByText(drill.setup)).toBeTruthy();
    expect(screen.getByText(drill.steps.map((step, i) => `${i + 1}. ${step}`).join(' '))).toBeTruthy();
    expect(screen.getByText(item.success)).toBeTruthy();
    expect(screen.getByText(`${item.rung}, ${RUNG_NAMES[item.rung].toLowerCase()}`)).toBeTruthy();
    for (const cheat of drill.cheats) expect(screen.getByText(new RegExp(cheat.label))).toBeTruthy();
    if (drill.cautions.length > 0) expect(screen.getByText(drill.cautions.join(' '))).toBeTruthy();
    expect(screen.getByLabelText(`Figure: ${drill.name}`)).toBeTruthy();
  });

  it('keeps what is for coaches from an athlete', () => {
    open('athlete');
    const at = session!.items.findIndex((i) => i.role === 'main');
    fireEvent.press(screen.getAllByRole('button')[at]!);
    expect(screen.queryByText('Watch for')).toBeNull();
    expect(screen.queryByText('Why now')).toBeNull();
    expect(screen.getByText('Good looks like')).toBeTruthy();
    if (session!.note) expect(screen.queryByText(session!.note)).toBeNull();
  });

  it('closes an item again by the same tap', () => {
    open('athlete');
    const [first] = screen.getAllByRole('button');
    fireEvent.press(first!);
    expect(screen.getByText('Set up')).toBeTruthy();
    fireEvent.press(first!);
    expect(screen.queryByText('Set up')).toBeNull();
  });
});

describe('the drill that the day is about', () => {
  const lead = (of: PlanSession) =>
    openPage(<LeadDrill session={of} discipline="overhand" throws="R" heightM={1.7} age={16} />, { '/api/me': ME });

  it('is the main work with its one cue, and its figure', () => {
    lead(session!);
    const main = session!.items.find((i) => i.role === 'main')!;
    expect(screen.getByLabelText(`Figure: ${drillById(main.drill).name}`)).toBeTruthy();
    expect(screen.getByText(main.cue)).toBeTruthy();
  });

  it('is what comes first where no work is the main one, and nothing on a day without any', () => {
    const others = session!.items.filter((i) => i.role !== 'main');
    expect(leadOf({ ...session!, items: others })).toBe(others[0]);
    lead({ ...session!, items: [] });
    expect(screen.queryByTestId('lead-drill')).toBeNull();
  });

  it('is drawn with what it is made of, and with a support only while it is one', () => {
    const drill = DRILLS.find((d) => d.aids.length > 0 && d.equipment.some((kit) => d.aids.some((a) => a.kit === kit)))!;
    const aids = drill.aids.map((a) => a.kit);
    const item = (with_: readonly string[]) => ({ drill: drill.id, aids: with_ }) as unknown as PlanItem;
    expect(drawnKit(drill, item(aids))).toEqual(drill.equipment);
    expect(drawnKit(drill, item([]))).toEqual(drill.equipment.filter((kit) => !aids.includes(kit)));
  });
});
