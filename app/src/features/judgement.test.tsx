import type { DiagnosisRecord, OwnEye } from '@wrightonic/contract';
import { CATALOGUE_WORDS, UNITS, causeMap, diagnose, eyeFrom } from '@wrightonic/core';
import type { AthleteProfile, DatedEvidence, DiagnosisRequest } from '@wrightonic/core';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { api } from '../data/api';
import { recordOf } from '../testing/judgement';
import { leavePage, openPage } from '../testing/page';
import { OwnEyePart } from './account/OwnEyePart';
import { answersText } from './diagnosis/answers';
import { chainAround, layOut, ROOMY, TELLING, whatMatters } from './diagnosis/layout';
import { MapScreen } from './diagnosis/MapScreen';
import { Rulings } from './diagnosis/Rulings';
import { supposing } from './diagnosis/what-if';
import { WhatIfScreen } from './diagnosis/WhatIfScreen';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush, replace: jest.fn(), back: jest.fn() }) }));

const today = '2026-05-04';
const profile: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.8,
  massKg: 70,
  level: 'high-school',
};
const evidence: DatedEvidence[] = [
  { kind: 'eye', finding: 'late-hips', answer: 'yes', on: today, by: 'Ada Test' },
  { kind: 'eye', finding: 'turn-together', answer: 'yes', on: today, by: 'Ada Test' },
  { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 20, unit: 'deg', on: today, by: 'Ada Test' },
];
const request: DiagnosisRequest = { on: today, athlete: profile, evidence };

afterEach(leavePage);

async function show(element: React.ReactElement, diagnosis: DiagnosisRecord, more: Record<string, unknown> = {}) {
  const { store, sent } = openPage(
    element,
    { '/api/athletes/a': { athlete: { ...profile, name: 'Testa Birchley' } }, '/api/athletes/a/diagnosis': diagnosis, ...more },
    diagnosis,
  );
  await store.dispatch(api.endpoints.me.initiate());
  return sent;
}

describe('the map of causes', () => {
  const map = causeMap(request);

  it('lays causes left of what they lead to, every finding once, none over another', () => {
    const { nodes, routes, width, height } = layOut(map, ROOMY);
    expect(nodes.map((n) => n.node.finding).sort()).toEqual(map.nodes.map((n) => n.finding).sort());
    for (const { from, to } of routes) expect(from.x).toBeLessThan(to.x);
    for (const a of nodes) {
      expect(a.x - ROOMY.width / 2).toBeGreaterThanOrEqual(0);
      expect(a.x + ROOMY.width / 2).toBeLessThanOrEqual(width + 1);
      expect(a.y + ROOMY.height / 2).toBeLessThanOrEqual(height + 1);
      for (const b of nodes)
        if (a !== b) expect(Math.abs(a.x - b.x) >= ROOMY.width - 1 || Math.abs(a.y - b.y) >= ROOMY.height - 1).toBe(true);
    }
  });

  it('keeps to the chain of one finding: what telling arrows join to it', () => {
    const chain = chainAround(map, 'drive-hip-ir');
    const ids = chain.nodes.map((n) => n.finding);
    expect(ids).toEqual(expect.arrayContaining(['drive-hip-ir', 'late-hips', 'turn-together']));
    expect(ids.length).toBeLessThan(map.nodes.length);
    for (const arrow of chain.arrows) expect(arrow.influence).toBeGreaterThanOrEqual(TELLING);
  });

  it('opens on what is likely or was seen of the chain, and never on next to nothing', () => {
    const all = new Map(map.nodes.map((n) => [n.finding, n]));
    for (const centre of ['drive-hip-ir', 'stall', 'late-hips'] as const) {
      const few = whatMatters(map, centre).nodes;
      const chain = chainAround(map, centre).nodes;
      expect(few.map((n) => n.finding)).toContain(centre);
      expect(few.length).toBeGreaterThanOrEqual(5);
      expect(few.length).toBeLessThanOrEqual(Math.max(5, chain.length));
      for (const { finding } of chain) {
        const { present, evidence: said } = all.get(finding)!;
        if (present >= 0.2 || said.length > 0) expect(few.map((n) => n.finding)).toContain(finding);
      }
    }
  });

  it('tells what is known of a node, supposes it away, and puts it back', async () => {
    const sent = await show(<MapScreen id="a" />, recordOf(request));
    expect(await screen.findByTestId('cause-map')).toBeTruthy();
    fireEvent.press(screen.getByTestId('node-late-hips'));
    expect(screen.getByTestId('node-panel')).toBeTruthy();
    expect(screen.getByText('What can cause it')).toBeTruthy();
    fireEvent.press(screen.getByTestId('suppose-absent'));
    expect(await screen.findByText('In thought only: the hips start turning too late not there.')).toBeTruthy();
    fireEvent.press(screen.getByTestId('put-back'));
    await waitFor(() => expect(screen.queryByTestId('supposed')).toBeNull());
    expect(sent.filter((s) => s.method !== 'GET')).toEqual([]);
  });
});

describe('what if', () => {
  it('adds to the request and changes nothing that is stored', () => {
    const asked = supposing({ ...request, overrules: [{ finding: 'stall', as: 'absent' }] }, [
      { kind: 'finding', finding: 'stall', as: 'present' },
      { kind: 'test', test: 'hip-internal-rotation', side: 'drive', value: 48, unit: 'deg' },
    ]);
    expect(asked.overrules).toEqual([{ finding: 'stall', as: 'present' }]);
    expect(asked.evidence).toHaveLength(4);
    expect(request.evidence).toHaveLength(3);
    expect(diagnose(asked).posterior['drive-hip-ir']!).toBeLessThan(diagnose(request).posterior['drive-hip-ir']!);
  });

  it('shows roots as they are and as they would be', async () => {
    await show(<WhatIfScreen id="a" />, recordOf(request));
    fireEvent.press(await screen.findByTestId('suppose-test-hip-internal-rotation'));
    fireEvent.changeText(screen.getByTestId('suppose-value'), '48');
    fireEvent.press(screen.getByTestId('suppose-test'));
    expect(await screen.findByText(/^↓/)).toBeTruthy();
    expect(screen.getByText(/The likeliest root is “the drive hip/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('put-back'));
    expect(screen.getByText(/Suppose something/)).toBeTruthy();
  });
});

describe('what an answer would mean', () => {
  it('is said for both sides of it', () => {
    const asked = { ...request, evidence: evidence.slice(0, 2) };
    const hip = diagnose(asked).nextChecks.find((c) => c.check.kind === 'screen')!;
    expect(answersText(hip, UNITS.cm, CATALOGUE_WORDS)).toMatch(
      /^Under \d+°: the drive hip does not turn in far enough \(\d+ %\)\. From \d+°: .+\(\d+ %\)\.$/,
    );
    const [below, above] = hip.answers;
    expect(below!.value!).toBeLessThanOrEqual(above!.value!);
    expect(answersText({ ...hip, answers: [] }, UNITS.cm, CATALOGUE_WORDS)).toBe('');
    const none = { when: 'yes', value: null, first: null, probability: 0 } as const;
    expect(answersText({ ...hip, answers: [none, none] }, UNITS.cm, CATALOGUE_WORDS)).toMatch(/Neither answer/);
  });
});

describe('the coach’s word', () => {
  it('stands with its reason and the conflict, and can be taken back', async () => {
    const record = recordOf(
      { ...request, overrules: [{ finding: 'late-hips', as: 'absent' }] },
      { rulings: [{ id: 'r', finding: 'late-hips', as: 'absent', reason: 'film', by: 'Ada Test', on: today }] },
    );
    const sent = await show(<Rulings athlete="a" record={record} />, record);
    expect(await screen.findByTestId('conflict')).toBeTruthy();
    expect(screen.getByText(/“film” Ada Test/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('take-back-late-hips'));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'DELETE', url: '/api/athletes/a/rulings/r' }));
  });
});

describe('one’s own eye', () => {
  it('tells how looks and measures agreed', async () => {
    const eye: OwnEye = {
      clear: eyeFrom([{ visibility: 'clear', saw: 'yes', measured: 'present', count: 3 }], 'clear'),
      hard: eyeFrom([], 'hard'),
      findings: [{ finding: 'stall', agreed: 3, of: 3 }],
    };
    await show(<OwnEyePart />, recordOf(request), { '/api/own-eye': eye });
    expect(await screen.findByText('3 of 3 agreed')).toBeTruthy();
    expect(screen.getByText(/Measured as there: 3, of which you saw 3/)).toBeTruthy();
    expect(screen.getByText(/No look of yours has met a measure yet/)).toBeTruthy();
  });
});
