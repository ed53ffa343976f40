import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { LibraryAnswer, Me, NewOwnDrill, NewOwnLadder } from '@wrightonic/contract';
import { drillById, STANDARD_LIBRARY } from '@wrightonic/core';
import { leavePage, ME, openPage } from '../testing/page';
import { DrillDetail } from './drills/DrillDetail';
import { LadderScreen } from './drills/LadderScreen';

jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn(), replace: jest.fn() }),
  useLocalSearchParams: () => ({}),
}));

afterEach(leavePage);

const OWNER: Me = { ...ME, role: 'owner' };
const NOTHING: LibraryAnswer = { drills: [], ladders: [], findings: [] };
const DRILL = 'wall-hip-fall';
const openDrill = (me: Me = OWNER, library = NOTHING) => {
  const onShow = jest.fn();
  const page = openPage(
    <DrillDetail drill={drillById(DRILL)} discipline="overhand" onShow={onShow} />,
    { '/api/me': me, '/api/library': library, '/api/library/effects': { on: ME.academy.today, effects: [] } },
    library,
  );
  return { ...page, onShow };
};

describe('a drill', () => {
  it('is copied and changed by an owner, and the copy is shown', async () => {
    const { sent, onShow } = openDrill();
    fireEvent.press(await screen.findByTestId('own-copy'));
    fireEvent.changeText(screen.getByTestId('own-name'), 'Fence fall');
    fireEvent.changeText(screen.getByTestId('own-sets'), '4');
    fireEvent.press(screen.getByText('home'));
    fireEvent.press(screen.getByTestId('own-save'));
    await waitFor(() => expect(onShow).toHaveBeenCalled());
    const body = sent[0]!.body as NewOwnDrill;
    expect(body.drill).toMatch(/^wall-hip-fall~[a-z0-9]{12}$/);
    expect(onShow).toHaveBeenCalledWith(body.drill);
    expect(body.words).toEqual({ name: 'Fence fall' });
    const place = drillById(DRILL).place;
    expect(body.fields).toEqual({
      place: place.includes('home') ? place.filter((p) => p !== 'home') : ['home', ...place],
      dose: { ...drillById(DRILL).dose, sets: 4 },
    });
  });

  it('is not saved while something is wrong, and says what', async () => {
    const { sent } = openDrill();
    fireEvent.press(await screen.findByTestId('own-copy'));
    fireEvent.changeText(screen.getByTestId('own-name'), drillById(DRILL).name);
    expect(screen.getByText('Give the copy a name of its own.')).toBeTruthy();
    fireEvent.changeText(screen.getByTestId('own-name'), 'Fence fall');
    fireEvent.changeText(screen.getByTestId('own-reps'), '');
    expect(screen.getByText('Reps: give a whole number.')).toBeTruthy();
    fireEvent.press(screen.getByTestId('own-save'));
    expect(sent).toEqual([]);
  });

  it('keeps its words in versions when it is only said anew', async () => {
    const { sent, onShow } = openDrill();
    fireEvent.press(await screen.findByTestId('own-words'));
    expect(screen.queryByTestId('own-sets')).toBeNull();
    fireEvent.changeText(screen.getByTestId('own-success'), 'Hip first, and quiet');
    fireEvent.press(screen.getByTestId('own-save'));
    await waitFor(() => expect(sent.length).toBe(1));
    expect(sent[0]!.body).toEqual({ drill: DRILL, words: { success: 'Hip first, and quiet' }, use: 'usual' });
    expect(onShow).not.toHaveBeenCalled();
  });

  it('is read only by everybody else', async () => {
    openDrill(ME);
    expect(await screen.findByText('Print the card')).toBeTruthy();
    expect(screen.queryByTestId('own-copy')).toBeNull();
  });
});

describe('a ladder', () => {
  const usual = STANDARD_LIBRARY.ladder('stall', 'overhand');
  const open = (me: Me = OWNER, library = NOTHING) =>
    openPage(<LadderScreen finding="stall" discipline="overhand" />, { '/api/me': me, '/api/library': library }, library);
  const names = () => screen.getAllByText(/./).map((node) => String(node.props.children));

  it('is put in another order and kept', async () => {
    const { sent } = open();
    fireEvent.press(await screen.findByTestId('ladder-change'));
    const rung = usual.rungs.find((r) => 'drills' in r && r.drills.length > 1)! as { rung: number; drills: readonly string[] };
    const second = drillById(rung.drills[1]!).name;
    fireEvent.press(screen.getAllByLabelText(`${second}: one place up`)[0]!);
    fireEvent.press(screen.getByTestId('ladder-save'));
    await waitFor(() => expect(sent.length).toBe(1));
    const body = sent[0]!.body as NewOwnLadder;
    expect(body.rungs!.find((r) => r.rung === rung.rung)!.drills.slice(0, 2)).toEqual([rung.drills[1], rung.drills[0]]);
    expect(body.rungs!.map((r) => r.rung)).toEqual(usual.rungs.flatMap((r) => ('drills' in r ? [r.rung] : [])));
  });

  it('says what it lacks when too much is left out', async () => {
    open();
    fireEvent.press(await screen.findByTestId('ladder-change'));
    expect(screen.queryByText(/It lacks/)).toBeNull();
    for (const r of usual.rungs)
      if ('drills' in r && r.rung <= 2)
        for (const id of r.drills) fireEvent.press(screen.getAllByLabelText(`${drillById(id).name}: leave out`)[0]!);
    expect(screen.getAllByText(/It lacks: no direct drill in the dry band/).length).toBe(1);
  });

  it('goes back to the usual one, and lists its versions', async () => {
    const [rung] = usual.rungs.filter((r) => 'drills' in r) as { rung: 1; drills: readonly string[] }[];
    const own = {
      finding: 'stall',
      discipline: 'overhand',
      version: 3,
      rungs: [{ rung: rung!.rung, drills: [rung!.drills[0]!] }],
      by: 'Ada Test',
      at: '2026-05-04T10:00:00.000Z',
    } as const;
    const { sent } = open(OWNER, { drills: [], ladders: [own], findings: [] });
    expect(await screen.findByText(/Our own ladder/)).toBeTruthy();
    expect(screen.getByText(/Version 3, .*, Ada Test: rung \d 1/)).toBeTruthy();
    fireEvent.press(await screen.findByTestId('ladder-usual'));
    await waitFor(() => expect(sent.length).toBe(1));
    expect((sent[0]!.body as NewOwnLadder).rungs).toBeNull();
  });

  it('is read by everybody, and there is none for what does not belong', async () => {
    open(ME);
    expect(await screen.findByText(/rung by rung/)).toBeTruthy();
    expect(screen.queryByTestId('ladder-change')).toBeNull();
    expect(names().length).toBeGreaterThan(10);
    await leavePage();
    openPage(<LadderScreen finding="straight-whip" discipline="overhand" />, {});
    expect(await screen.findByText('There is no such ladder')).toBeTruthy();
  });
});
