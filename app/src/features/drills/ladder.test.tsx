import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { DISCIPLINES, drillById, LADDERS, ladderFrom, OWN_RUNGS, STANDARD_LIBRARY } from '@wrightonic/core';
import { leavePage, ME, openPage } from '../../testing/page';
import { couldStand, ladderDraftOf, raised, rungsFrom, withDrill, without } from './ladder-draft';
import { LadderScreen } from './LadderScreen';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush, replace: jest.fn() }) }));
jest.mock('../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));
afterEach(leavePage);

describe('a ladder while it is changed', () => {
  const draft = { 2: ['a', 'b', 'c'], 3: ['d'] } as const;

  it('moves one drill one place up, and the first not at all', () => {
    expect(raised(draft, 2, 'c')[2]).toEqual(['a', 'c', 'b']);
    expect(raised(draft, 2, 'a')).toBe(draft);
    expect(raised(draft, 2, 'nobody')).toBe(draft);
    expect(raised(draft, 5, 'a')).toBe(draft);
  });

  it('takes a drill once, and loses it whole', () => {
    expect(withDrill(draft, 3, 'd')).toBe(draft);
    expect(withDrill(draft, 4, 'e')[4]).toEqual(['e']);
    expect(without(draft, 2, 'b')).toEqual({ 2: ['a', 'c'], 3: ['d'] });
    expect(rungsFrom(without(draft, 3, 'd'))).toEqual([{ rung: 2, drills: ['a', 'b', 'c'] }]);
  });

  it('of every finding comes back as it was: opened, sent, read', () => {
    for (const ladder of LADDERS) {
      const rungs = rungsFrom(ladderDraftOf(ladder));
      const own = ladderFrom(STANDARD_LIBRARY.drills, ladder.finding, ladder.discipline, rungs);
      expect(rungsFrom(ladderDraftOf(own))).toEqual(rungs);
    }
  });

  it('offers on a rung what could stand there, and nothing twice', () => {
    for (const ladder of LADDERS) {
      const now = ladderDraftOf(ladder);
      for (const rung of OWN_RUNGS)
        for (const drill of couldStand(STANDARD_LIBRARY.drills, ladder, now, rung)) {
          expect(drill.rungs).toContain(rung);
          expect(drill.disciplines).toContain(ladder.discipline);
          expect(now[rung] ?? []).not.toContain(drill.id);
        }
    }
  });
});

describe('the page of a ladder', () => {
  const open = (finding: string, discipline: string, role: 'owner' | 'instructor' = 'owner') =>
    openPage(
      <LadderScreen finding={finding} discipline={discipline} />,
      { '/api/me': { ...ME, role } },
      { drills: [], ladders: [], findings: [] },
    );

  it.each([
    ['no-such-thing', 'overhand'],
    ['straight-whip', 'overhand'],
    ['stall', 'cricket'],
  ])('of %s in %s is none, and says where to choose', (finding, discipline) => {
    open(finding, discipline);
    expect(screen.getByText('There is no such ladder')).toBeTruthy();
  });

  it.each(DISCIPLINES)('shows every rung with its drills or why it is skipped, %s', async (discipline) => {
    const ladder = LADDERS.find((l) => l.discipline === discipline)!;
    open(ladder.finding, discipline);
    await screen.findByTestId('ladder-change');
    for (const r of ladder.rungs)
      if ('drills' in r)
        for (const id of r.drills) expect((await screen.findAllByText(drillById(id).name)).length).toBeGreaterThan(0);
      else if ((OWN_RUNGS as readonly number[]).includes(r.rung)) expect(screen.getAllByText(r.skip).length).toBeGreaterThan(0);
  });

  it('is changed by an owner, one drill at a time, and sent as it then stands', async () => {
    const ladder = LADDERS.find((l) =>
      l.rungs.some((r) => 'drills' in r && r.drills.length > 2 && (OWN_RUNGS as readonly number[]).includes(r.rung)),
    )!;
    const [rung] = ladder.rungs.filter(
      (r) => 'drills' in r && r.drills.length > 2 && (OWN_RUNGS as readonly number[]).includes(r.rung),
    );
    const drills = (rung as { drills: readonly string[] }).drills;
    const { sent } = open(ladder.finding, ladder.discipline);
    fireEvent.press(await screen.findByTestId('ladder-change'));
    const [second, third] = [drillById(drills[1]!).name, drillById(drills[2]!).name];
    fireEvent.press(screen.getAllByLabelText(`${second}: one place up`)[0]!);
    fireEvent.press(screen.getAllByLabelText(`${third}: leave out`)[0]!);
    fireEvent.press(screen.getByTestId('ladder-save'));
    await waitFor(() => expect(sent).toHaveLength(1));
    const body = sent[0]!.body as { rungs: { rung: number; drills: string[] }[] };
    const kept = body.rungs.find((r) => r.rung === rung!.rung)!.drills;
    expect(kept.slice(0, 2)).toEqual([drills[1], drills[0]]);
    expect(kept).not.toContain(drills[2]);
  });

  it('is read and not changed by an instructor', async () => {
    open('stall', 'overhand', 'instructor');
    await screen.findAllByText(/^2 /);
    expect(screen.queryByTestId('ladder-change')).toBeNull();
  });

  it('left as it is sends nothing', async () => {
    const { sent } = open('stall', 'overhand');
    fireEvent.press(await screen.findByTestId('ladder-change'));
    fireEvent.press(screen.getAllByLabelText(/: leave out$/)[0]!);
    fireEvent.press(screen.getByText('Leave it as it is'));
    expect(screen.getByTestId('ladder-change')).toBeTruthy();
    expect(sent).toEqual([]);
  });
});
