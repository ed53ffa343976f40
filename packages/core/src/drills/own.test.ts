import { makePlan } from '../plan/plan';
import type { Plan, PlanRequest } from '../plan/types';
import { readPlan } from '../plan-reader/read';
import { planRequest } from '../testing/plan';
import { baseOf, copyId, drillById, DRILLS, hasDrill, isCopy } from './catalogue';
import { counterFor } from './cheats';
import { drillsAt, ladderFaults, LADDERS } from './ladders';
import { libraryFrom, newestLadders, STANDARD_LIBRARY } from './library';
import type { OwnLibrary } from './library';
import { ownDrillFaults, ownLadderFaults } from './own';
import type { OwnDrill, OwnLadder } from './own';
import { treatsDirectly } from './types';

const hardFaults = (request: PlanRequest, plan: Plan) =>
  readPlan(request, plan).filter((point) => point.check === 'hard rules' && !point.ok);

const COPY = copyId('wall-hip-fall', 'a1');
const copy = (more: Partial<OwnDrill> = {}): OwnDrill => ({
  drill: COPY,
  version: 1,
  words: { name: 'Fence fall' },
  use: 'usual',
  ...more,
});
const ladder = (rungs: OwnLadder['rungs'], version = 1): OwnLadder => ({
  finding: 'stall',
  discipline: 'overhand',
  version,
  rungs,
});
const planWith = (library: OwnLibrary, more: Partial<PlanRequest> = {}) => {
  const request = { ...planRequest, ...more, library };
  return { request, plan: makePlan(request) };
};
const mainsOf = ({ plan }: ReturnType<typeof planWith>): string[] => [
  ...new Set(plan.sessions.flatMap((s) => s.items.filter((i) => i.role === 'main').map((i) => i.drill))),
];

describe('the id of a copy', () => {
  it('names its original and itself', () => {
    expect(COPY).toBe('wall-hip-fall~a1');
    expect([isCopy(COPY), isCopy('wall-hip-fall'), baseOf(COPY), baseOf('wall-hip-fall')]).toEqual([
      true,
      false,
      'wall-hip-fall',
      'wall-hip-fall',
    ]);
    expect(copyId(COPY, 'b2')).toBe('wall-hip-fall~b2');
  });

  it('is known only where its original is, and only in its form', () => {
    expect(['wall-hip-fall~a1', 'no-drill~a1', 'wall-hip-fall~', 'wall-hip-fall~A1', 'wall-hip-fall~a1~b'].map(hasDrill)).toEqual(
      [true, false, false, false, false],
    );
    expect(() => drillById('no-drill~a1')).toThrow(RangeError);
  });

  it('loads and strains like its original wherever only the id is known', () => {
    for (const d of DRILLS) {
      const seen = drillById(copyId(d.id, 'x'));
      expect([seen.throws, seen.strain, seen.armSwing, seen.area, seen.effort]).toEqual([
        d.throws,
        d.strain,
        d.armSwing,
        d.area,
        d.effort,
      ]);
    }
    const [cheat] = drillById('wall-hip-fall').cheats;
    expect(counterFor(cheat!.cheat, COPY)).toBe(cheat!.counter);
  });
});

describe('a library', () => {
  it('is the catalogue where an academy says nothing', () => {
    expect(STANDARD_LIBRARY.drills).toEqual(DRILLS);
    for (const { finding, discipline, rungs } of LADDERS)
      expect(STANDARD_LIBRARY.ladder(finding, discipline).rungs).toEqual(rungs);
    expect(STANDARD_LIBRARY.version('easy-catch')).toBe(0);
    expect(() => STANDARD_LIBRARY.ladder('straight-whip', 'overhand')).toThrow(RangeError);
  });

  it('holds copies beside their originals, newest version, in whatever order they come', () => {
    const versions = [
      copy({ version: 1, fields: { place: ['home'] } }),
      copy({ version: 2, words: { name: 'Garage fall' }, fields: { place: ['cage'], minAge: 12 } }),
    ];
    for (const own of [versions, [...versions].reverse()]) {
      const library = libraryFrom(own, []);
      expect(library.drills.length).toBe(DRILLS.length + 1);
      const mine = library.drill(COPY);
      expect([mine.name, mine.place, mine.minAge, library.version(COPY)]).toEqual(['Garage fall', ['cage'], 12, 2]);
      expect(library.drill('wall-hip-fall')).toEqual(drillById('wall-hip-fall'));
    }
  });

  it('stands a copy on the ladders of what it treats, and takes it off those it no longer does', () => {
    const base = drillById('wall-hip-fall');
    const [first] = base.treats.filter((t) => t.weight >= 0.5);
    const library = libraryFrom([copy({ fields: { treats: [{ finding: 'stall', weight: 0.9 }], rungs: [1] } })], []);
    expect(drillsAt(library.ladder('stall', 'overhand'), 1)).toContain(COPY);
    expect(drillsAt(library.ladder('stall', 'overhand'), 2)).not.toContain(COPY);
    if (first!.finding !== 'stall')
      expect(library.ladder(first!.finding, 'overhand').rungs.flatMap((r) => ('drills' in r ? r.drills : []))).not.toContain(
        COPY,
      );
  });

  it('drops an aid whose kit is gone, and keeps the cues that are not said anew', () => {
    const strapped = DRILLS.find((d) => d.aids.length > 0 && d.part === null)!;
    const id = copyId(strapped.id, 'bare');
    const bare = libraryFrom(
      [copy({ drill: id, fields: { equipment: [] }, words: { name: 'Bare', external: 'Push' } })],
      [],
    ).drill(id);
    expect([bare.aids, bare.cue]).toEqual([[], { external: 'Push', internal: strapped.cue.internal }]);
  });

  it('answers for a copy that it does not list as for its original', () => {
    const library = libraryFrom([], []);
    expect([library.has(COPY), library.drill(COPY).name]).toEqual([false, drillById('wall-hip-fall').name]);
  });
});

describe('an own drill', () => {
  const faults = (more: Partial<OwnDrill>) => ownDrillFaults(copy(more));

  it('stands where it changes what may be changed', () => {
    expect(faults({})).toEqual([]);
    expect(faults({ fields: { rungs: [1, 2], place: ['home', 'field'], dose: { sets: 3, reps: 8 }, minAge: 10 } })).toEqual([]);
    expect(ownDrillFaults({ drill: 'easy-catch', words: { name: 'Catch' }, use: 'first' })).toEqual([]);
  });

  it('says what is wrong, one sentence each', () => {
    const wrong: [Partial<OwnDrill>, string][] = [
      [{ words: {} }, 'name of its own'],
      [{ words: { name: drillById('wall-hip-fall').name.toUpperCase() } }, 'name of its own'],
      [{ fields: { treats: [] } }, 'at least one finding'],
      [{ fields: { treats: [{ finding: 'straight-whip', weight: 0.9 }] } }, 'does not belong to'],
      [{ fields: { rungs: [] } }, 'at least one rung'],
      [{ fields: { rungs: [3] } }, 'Rung 3 throws'],
      [{ fields: { place: [] } }, 'at least one place'],
      [{ fields: { minAge: 5 } }, 'not for younger ones'],
      [{ fields: { effort: [0, 80] } }, 'effort stays within'],
      [{ words: { name: 'Box fall', setup: 'Stand on the box.' } }, 'name the box'],
      [{ words: { name: 'Two fall', setup: 'A partner holds the shoulder.' } }, 'name a partner'],
    ];
    for (const [more, words] of wrong) expect(faults(more).join(' ')).toContain(words);
  });

  it('never makes a thrown drill dry, a hard one soft for the budget, or a test something else', () => {
    const thrown = DRILLS.find((d) => d.throws !== 'none' && d.part === null)!;
    const of = (fields: OwnDrill['fields']) =>
      ownDrillFaults({ drill: copyId(thrown.id, 't'), words: { name: 'Mine' }, use: 'usual', ...(fields ? { fields } : {}) });
    expect(of({ rungs: [2] }).join()).toContain('Nothing is thrown on rung 2');
    expect(of({ effort: [thrown.effort[0] - 10, thrown.effort[1]] }).join()).toContain('effort stays within');
    expect(of({ effort: [thrown.effort[0], 100] }).length).toBe(thrown.effort[1] === 100 ? 0 : 1);
    expect(of({ equipment: [...thrown.equipment, 'strap'] }).join()).toContain('strapped in');
    expect(ownDrillFaults({ drill: copyId('measured-bullpen', 't'), words: { name: 'Mine' }, use: 'usual' }).join()).toContain(
      'test',
    );
    expect(ownDrillFaults({ drill: 'easy-catch', words: {}, use: 'usual', fields: { partner: false } }).join()).toContain('copy');
    expect(
      ownDrillFaults({ drill: copyId('easy-catch', 't'), words: { name: 'Mine' }, use: 'usual', fields: { rungs: [8] } }).join(),
    ).toContain('Shared work');
  });
});

describe('an own ladder', () => {
  const drillOf = (id: string) => (STANDARD_LIBRARY.has(id) ? STANDARD_LIBRARY.drill(id) : undefined);
  const usual = STANDARD_LIBRARY.ladder('stall', 'overhand');
  const at = (rung: 1 | 2 | 3) => drillsAt(usual, rung);

  it('stands where each of its drills could stand', () => {
    expect(ownLadderFaults(ladder([{ rung: 2, drills: [...at(2)].reverse() }]), drillOf)).toEqual([]);
    expect(ownLadderFaults(ladder(null), drillOf)).toEqual([]);
    const notDirect = DRILLS.find(
      (d) => d.disciplines.includes('overhand') && !treatsDirectly(d, 'stall') && d.rungs.includes(2),
    )!;
    const foreign = DRILLS.find((d) => !d.disciplines.includes('overhand'))!;
    const wrong: [OwnLadder, string][] = [
      [ladder([{ rung: 2, drills: ['nothing'] }]), 'there is no drill'],
      [ladder([{ rung: 2, drills: [notDirect.id] }]), 'does not treat'],
      [ladder([{ rung: 2, drills: [foreign.id] }]), 'not a drill of the overhand delivery'],
      [ladder([{ rung: 2, drills: [at(2)[0]!, at(2)[0]!] }]), 'twice'],
      [{ ...ladder([]), finding: 'straight-whip' }, 'does not belong to overhand'],
      [{ ...ladder([{ rung: 3, drills: [] }]), finding: 'drive-hip-ir' }, 'ends on rung 1'],
    ];
    for (const [given, words] of wrong) expect(ownLadderFaults(given, drillOf).join(' ')).toContain(words);
  });

  it('keeps its order, skips what it leaves out with a word, and gives way to a newer one', () => {
    const own = ladder([{ rung: 2, drills: [...at(2)].reverse() }]);
    const { rungs, ordered } = libraryFrom([], [own]).ladder('stall', 'overhand');
    expect(ordered).toBe(true);
    expect(drillsAt({ ...usual, rungs }, 2)).toEqual([...at(2)].reverse());
    expect(rungs.find((r) => r.rung === 3)).toEqual({ rung: 3, skip: 'The academy’s own ladder leaves this rung out.' });
    expect(ladderFaults({ ...usual, rungs }).length).toBeGreaterThan(0);
    for (const both of [
      [own, ladder(null, 2)],
      [ladder(null, 2), own],
    ])
      expect(newestLadders(both)).toEqual([]);
    expect(libraryFrom([], [own, ladder(null, 2)]).ladder('stall', 'overhand')).toEqual(usual);
  });
});

describe('a plan of an academy with its own drills and ladders', () => {
  const wanted = drillsAt(STANDARD_LIBRARY.ladder('stall', 'overhand'), 2);

  it('takes the first drill of the own ladder first', () => {
    for (const drill of wanted) {
      const others = wanted.filter((d) => d !== drill);
      const made = planWith({ first: [], never: [], ladders: [ladder([{ rung: 2, drills: [drill, ...others] }])] });
      const first = made.plan.sessions.flatMap((s) => s.items.filter((i) => i.role === 'main'))[0];
      expect(first?.drill).toBe(drill);
      expect(hardFaults(made.request, made.plan)).toEqual([]);
    }
  });

  it('never leaves the rungs of the own ladder for others that it skips', () => {
    const made = planWith({ first: [], never: [], ladders: [ladder([{ rung: 2, drills: wanted }])] });
    const rungs = made.plan.sessions.flatMap((s) =>
      s.items.filter((i) => i.role === 'main' && i.focus === 'stall' && i.rung <= 6).map((i) => i.rung),
    );
    expect(new Set(rungs)).toEqual(new Set([2]));
  });

  it('plans a copy in its own words, with its dose, at its places, and says the version', () => {
    const id = copyId(wanted[0]!, 'mine');
    const own: OwnDrill = {
      drill: id,
      version: 4,
      words: { name: 'Porch Glide', success: 'Quiet and long' },
      use: 'first',
      fields: { place: ['cage'], dose: { sets: 2, reps: 7 } },
    };
    expect(ownDrillFaults(own)).toEqual([]);
    const made = planWith({ first: [id], never: [wanted[0]!], own: [own] });
    const planned = made.plan.sessions.flatMap((s) =>
      s.items.filter((i) => i.drill === id).map((i) => ({ place: s.place, item: i })),
    );
    expect(planned.length).toBeGreaterThan(0);
    for (const { place, item } of planned)
      expect([place, item.words, item.success, item.reps]).toEqual(['cage', 4, 'Quiet and long', 7]);
    expect(mainsOf(made)).not.toContain(wanted[0]);
    expect(made.plan.sessions.find((s) => s.items.some((i) => i.drill === id))!.new).toContain('Porch Glide');
    expect(hardFaults(made.request, made.plan)).toEqual([]);
  });

  it('is the same whether an academy says nothing or says it with empty lists', () => {
    const bare = makePlan(planRequest);
    const empty = planWith({ first: [], never: [], own: [], ladders: [] }).plan;
    expect(JSON.parse(JSON.stringify(empty, (key, value: unknown) => (key === 'words' ? undefined : value)))).toEqual(
      JSON.parse(JSON.stringify(bare)),
    );
  });
});
