import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { EXAMPLES } from './examples';

const root = join(__dirname, '..', '..');

/** Runs a command as a user does, through the script. */
function wrightonic(command: string | null, input?: unknown) {
  const args = [join(root, 'scripts', 'wrightonic.mjs'), ...(command === null ? [] : [command])];
  const run = spawnSync(process.execPath, args, {
    encoding: 'utf8',
    input: typeof input === 'string' ? input : JSON.stringify(input ?? null),
  });
  return { code: run.status, out: run.stdout, err: run.stderr };
}

const { on, athlete } = EXAMPLES.diagnose as { on: string; athlete: object };

describe('the command line', () => {
  it.each(Object.keys(EXAMPLES))('%s answers JSON, twice the same bytes', (command) => {
    const first = wrightonic(command, EXAMPLES[command]);
    expect([first.code, first.err]).toEqual([0, '']);
    expect(typeof JSON.parse(first.out)).toBe('object');
    expect(wrightonic(command, EXAMPLES[command]).out).toBe(first.out);
  });

  it('prints the catalogues with the fields that are promised', () => {
    const { findings, drills, tests, measures, rules, version } = JSON.parse(wrightonic('catalogue').out);
    expect(version).toMatch(/^1\./);
    expect(Object.keys(findings[0])).toEqual(
      expect.arrayContaining(['id', 'kind', 'area', 'phase', 'disciplines', 'causes', 'consequences', 'healthFlag']),
    );
    expect(Object.keys(drills[0])).toEqual(
      expect.arrayContaining([
        'id',
        'name',
        'disciplines',
        'treats',
        'rungs',
        'place',
        'equipment',
        'partner',
        'throws',
        'minAge',
        'cheats',
        'regressTo',
        'progressTo',
      ]),
    );
    expect([tests.length, measures.length > 20, typeof rules]).toEqual([17, true, 'object']);
  });

  it.each([
    ['diagnose', { ...EXAMPLES.diagnose, surprise: 1 }, 'surprise'],
    [
      'diagnose',
      { on, athlete, evidence: [{ kind: 'screen', test: 'hip-flexion', side: 'none', value: 100, unit: 'deg' }] },
      'evidence[0].side',
    ],
    ['diagnose', { on: '2009-01-01', athlete, evidence: [] }, ''],
    ['gate', { discipline: 'overhand', log: [{ date: on, reps: 10, good: 9, close: 0, off: 0, cheats: {}, pain: 0 }] }, 'log[0]'],
    ['workload', { ...EXAMPLES.workload, log: [{ date: '2026-04-19', throws: 5, highEffort: 0 }] }, ''],
    ['plan', { ...EXAMPLES.plan, weeks: 'six' }, 'weeks'],
    ['trend', { ...EXAMPLES.trend, readings: [{ date: '2026-02-30' }] }, 'readings[0].date'],
    ['camp', { ...EXAMPLES.camp, changes: [{ day: 0, fromRotation: 1, type: 'athlete-late', id: 'gun' }] }, 'changes[0].id'],
    [
      'camp',
      { ...EXAMPLES.camp, changes: [{ day: 0, fromRotation: 3, type: 'athlete-late', id: 'juna' }] },
      'changes[0].fromRotation',
    ],
    [
      'sequence',
      { throws: [{ rateHz: 100, effort: 100, series: { pelvis: Array(30).fill(1), trunk: Array(29).fill(1) } }] },
      'throws[0].series.trunk',
    ],
    [
      'sequence',
      { throws: [{ rateHz: 100, effort: 100, releaseS: 2, series: { pelvis: Array(30).fill(1) } }] },
      'throws[0].releaseS',
    ],
    ['sequence', { throws: [{ rateHz: 100, effort: 100, series: { pelvis: [1, 2] } }] }, 'throws[0].series.pelvis'],
    ['camp', { ...EXAMPLES.camp, current: [{ athlete: 'juna', day: 1, rotation: 0, station: 'gun' }] }, 'current[0].day'],
  ])('%s refuses bad input with its place and exit code 2', (command, input, path) => {
    const { code, out, err } = wrightonic(command, input);
    expect([code, out]).toEqual([2, '']);
    const problem = JSON.parse(err);
    expect(problem.errors.map((e: { path: string }) => e.path)).toContain(path);
    expect(problem.detail.length).toBeGreaterThan(10);
    expect(err).not.toContain('node_modules');
  });

  it('refuses what is not JSON, nothing at all, and an unknown command', () => {
    expect(wrightonic('gate', '{"log":').code).toBe(2);
    expect(JSON.parse(wrightonic('gate', '').err).detail).toContain('standard input');
    expect(JSON.parse(wrightonic('juggle', {}).err).detail).toContain('Commands: catalogue');
    expect(wrightonic(null, {}).code).toBe(2);
  });
});
