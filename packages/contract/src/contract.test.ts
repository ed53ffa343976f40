import { ARROWS, FINDINGS, SIGNS } from '@wrightonic/core';
import type Joi from 'joi';
import {
  clipTypeOf,
  arrowSchema,
  check,
  diagnosisRequestSchema,
  evidenceSchema,
  EVIDENCE_KINDS,
  findingSchema,
  gateRequestSchema,
  logBatchSchema,
  planRequestSchema,
  ROUTES,
  rolesOf,
  signSchema,
  workloadRequestSchema,
} from './index';
import type { Route } from './index';

const athlete = { discipline: 'overhand', throws: 'R', birthDate: '2010-02-11', heightM: 1.8, massKg: 74, level: 'high-school' };
const on = '2026-04-18';
const diagnosis = (evidence: unknown[], more = {}) => check(diagnosisRequestSchema, { on, athlete, evidence, ...more });
const faults = (result: { ok: boolean; problem?: { errors: readonly { path: string; message: string }[] } }) =>
  result.ok ? [] : result.problem!.errors.map((e) => e.path);

describe('check', () => {
  it('names every fault at once, each with its place', () => {
    const result = diagnosis(
      [
        { kind: 'eye', finding: 'stall', answer: 'maybe' },
        { kind: 'eye', finding: 'nothing', answer: 'yes' },
      ],
      { surplus: true },
    );
    expect(faults(result)).toEqual(['evidence[0].answer', 'evidence[1].finding', 'surplus']);
  });

  it('converts nothing but blanks round a text', () => {
    expect(faults(diagnosis([{ kind: 'screen', test: 'knee-to-wall', side: 'drive', value: '9', unit: 'cm' }]))).toEqual([
      'evidence[0].value',
    ]);
    const log = check(logBatchSchema, {
      entries: [
        {
          type: 'reading',
          id: '0190f5a0-0000-7000-8000-000000000001',
          at: '2026-05-04T10:00:00Z',
          speed: 70,
          unit: 'mph',
          effort: 100,
          gun: '  A ',
          setting: 'mound',
        },
      ],
    });
    expect(log.ok && (log.value.entries[0] as { gun: string }).gun).toBe('A');
  });

  it('says what to do about a reading that cannot be', () => {
    const result = diagnosis([{ kind: 'screen', test: 'vertical-jump', side: 'none', value: 700, unit: 'in' }]);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.problem.errors[0]!.message).toContain('check the unit and the decimal point');
  });

  it.each(['2026-02-30', '18.04.2026', '2026-4-8', '', 20260418, null])('takes no day like %p', (day) => {
    expect(faults(check(diagnosisRequestSchema, { on: day, athlete, evidence: [] }))).toContain('on');
  });
});

describe('evidence', () => {
  it('has a schema for each kind, and tells the kinds when it is none', () => {
    const result = check(evidenceSchema, { kind: 'guess' });
    expect(result.ok).toBe(false);
    if (!result.ok) for (const kind of EVIDENCE_KINDS) expect(result.problem.detail).toContain(kind);
  });

  it('takes every finding there is', () => {
    for (const f of FINDINGS) expect(check(evidenceSchema, { kind: 'eye', finding: f.id, answer: 'unsure' }).ok).toBe(true);
  });

  it.each([
    [{ kind: 'velocity', readings: [] }],
    [{ kind: 'velocity', readings: [{ speed: 700, unit: 'mph', effort: 100 }] }],
    [{ kind: 'sequence', peaksMs: {} }],
    [{ kind: 'sequence', peaksMs: { knee: 5 } }],
    [{ kind: 'measure', measure: 'stride-length', event: 'contact', value: 80, unit: '%height', sd: 0 }],
    [{ kind: 'outcome', strikes: 'great' }],
    [null],
    ['eye'],
  ])('refuses %j', (item) => {
    expect(check(evidenceSchema, item).ok).toBe(false);
  });
});

describe('commands', () => {
  it('hold the reps of a row to its sum, and cheats to its reps', () => {
    const row = (more: object) =>
      check(gateRequestSchema, {
        discipline: 'overhand',
        log: [{ date: on, reps: 10, good: 5, close: 2, off: 3, cheats: {}, pain: 0, ...more }],
      });
    expect(row({}).ok).toBe(true);
    expect(faults(row({ reps: 11 }))).toEqual(['log[0]']);
    expect(row({ cheats: { hops: 11 } }).ok).toBe(false);
    expect(row({ pain: 11 }).ok).toBe(false);
  });

  it('take nothing that lies after the day of the evaluation, and nobody unborn', () => {
    const load = (date: string) =>
      check(workloadRequestSchema, {
        on,
        athlete,
        season: 'in',
        leagueDailyLimit: null,
        log: [{ date, throws: 1, highEffort: 0 }],
      });
    expect(load(on).ok).toBe(true);
    const late = load('2026-04-19');
    expect(!late.ok && late.problem.detail).toContain('log[0].date is 2026-04-19');
    expect(check(diagnosisRequestSchema, { on, athlete: { ...athlete, birthDate: '2027-01-01' }, evidence: [] }).ok).toBe(false);
  });

  it('plan for at most two foci, one session a weekday, and drills that exist', () => {
    const base = {
      on,
      athlete,
      focus: [{ finding: 'stall', rung: 2 }],
      weeks: 4,
      availability: [{ weekday: 'mon', minutes: 45, place: 'cage' }],
      equipment: [],
      partner: true,
      season: 'off',
      games: [],
      recentLoad: [],
      pain: [],
      leagueDailyLimit: null,
      flags: [],
      pinned: [],
    };
    const plan = (more: object) => check(planRequestSchema, { ...base, ...more });
    expect(plan({}).ok).toBe(true);
    expect(plan({ focus: ['stall', 'late-hips', 'long-lever'].map((finding) => ({ finding, rung: 1 })) }).ok).toBe(false);
    expect(
      plan({
        focus: [
          { finding: 'stall', rung: 1 },
          { finding: 'stall', rung: 2 },
        ],
      }).ok,
    ).toBe(false);
    expect(plan({ availability: [base.availability[0], base.availability[0]] }).ok).toBe(false);
    expect(faults(plan({ pinned: [{ date: on, drill: 'no-such-drill' }] }))).toEqual(['pinned[0].drill']);
    expect(plan({ focus: [{ finding: 'stall', rung: 9 }] }).ok).toBe(false);
    expect(plan({ weeks: 0 }).ok).toBe(false);
  });
});

describe('routes', () => {
  it('are distinct, and every write that takes something has a schema', () => {
    const all = Object.values(ROUTES as Record<string, Route>);
    expect(new Set(all.map((r) => `${r.method} ${r.path}`)).size).toBe(all.length);
    for (const r of all) if (r.method === 'get') expect(r.body).toBeUndefined();
    // Each of these carries its own proof: a password, an invitation's secret, a channel's key, or the secret of a link or a calendar.
    expect(all.filter((r) => rolesOf(r).length === 0).map((r) => r.path)).toEqual([
      '/sign-in',
      '/sign-out',
      '/join/look',
      '/join',
      '/channels/:id/messages',
      '/channels/:id/live',
      '/shared/look',
      '/shared/pdf',
      '/feeds/:secret',
    ]);
  });
});

describe('the catalogue of findings', () => {
  it('has the shape that its schema states, in every finding, arrow and sign', () => {
    for (const [schema, rows] of [
      [findingSchema, FINDINGS],
      [arrowSchema, ARROWS],
      [signSchema, SIGNS],
    ] as const)
      for (const row of rows) expect(check(schema as Joi.Schema, row)).toMatchObject({ ok: true });
    expect(check(findingSchema, { ...FINDINGS[0]!, eyeCheck: 'It is a statement.' }).ok).toBe(false);
    expect(check(arrowSchema, { cause: 'stall', consequence: 'stall', strength: 'weak' }).ok).toBe(false);
  });
});

describe('what a diagnosis is asked', () => {
  const ask = (more: object) => diagnosis([], { on: '2026-05-04', ...more });

  it('may carry days, eyes, the coach’s word, work done and own weights', () => {
    const eye = {
      kind: 'eye',
      finding: 'stall',
      answer: 'yes',
      on: '2026-05-01',
      by: 'a',
      weighs: 1.5,
    };
    expect(
      ask({
        evidence: [eye],
        overrules: [{ finding: 'stall', as: 'root' }],
        work: [{ finding: 'stall', on: '2026-05-02', reps: 30 }],
        numbers: { model: { 'stall>late-hips': 0.5 } },
      }),
    ).toMatchObject({ ok: true });
  });

  it.each([
    [{ evidence: [{ kind: 'eye', finding: 'stall', answer: 'yes', on: '1.5.2026' }] }, 'evidence[0].on'],
    [{ evidence: [{ kind: 'eye', finding: 'stall', answer: 'yes', weighs: 40 }] }, 'evidence[0].weighs'],
    [{ overrules: [{ finding: 'stall', as: 'maybe' }] }, 'overrules[0].as'],
    [
      {
        overrules: [
          { finding: 'stall', as: 'root' },
          { finding: 'stall', as: 'absent' },
        ],
      },
      'overrules[1]',
    ],
    [{ work: [{ finding: 'stall', on: '2026-05-02', reps: -1 }] }, 'work[0].reps'],
  ])('refuses %j and says where', (more, path) => {
    expect(faults(ask(more))[0]).toBe(path);
  });
});

describe('the type of a clip', () => {
  const head = (text: string) => Uint8Array.from([0, 0, 0, 24, ...Buffer.from(text)]);
  it.each([
    ['ftypisom', 'video/mp4'],
    ['ftypqt  ', 'video/quicktime'],
    ['moov\u0000\u0000\u0000\u0000', 'video/quicktime'],
    ['wide\u0000\u0000\u0000\u0000', 'video/quicktime'],
    ['<!doctyp', null],
  ] as const)('%j', (text, type) => expect(clipTypeOf(head(text))).toBe(type));
  it('of WebM, and of nothing', () => {
    expect(clipTypeOf(Uint8Array.from([0x1a, 0x45, 0xdf, 0xa3, 0, 0, 0, 0, 0, 0, 0, 0]))).toBe('video/webm');
    expect(clipTypeOf(new Uint8Array())).toBeNull();
  });
});
