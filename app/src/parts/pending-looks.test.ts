import type { DiagnosisRecord } from '@wrightonic/contract';
import { diagnose } from '@wrightonic/core';
import type { DiagnosisRequest, Evidence } from '@wrightonic/core';
import type { Operation, Work } from '../data/operations';
import { PROFILE, TODAY } from '../testing/page';
import { waitingLooks, withWaiting } from './pending-looks';

const eye = (finding: string, answer = 'yes') => ({ kind: 'eye', finding, answer }) as Evidence;
const request = (evidence: readonly Evidence[]): DiagnosisRequest => ({
  on: TODAY,
  athlete: PROFILE,
  evidence: evidence.map((item) => ({ ...item, on: TODAY })),
});
const recordOf = (evidence: readonly Evidence[]): DiagnosisRecord =>
  ({
    evidence: evidence.map((item, n) => ({
      id: `o${n}`,
      on: TODAY,
      evidence: item,
      by: 'A',
      own: true,
      source: 'coach',
      clips: [],
    })),
    request: request(evidence),
    result: diagnose(request(evidence)),
  }) as unknown as DiagnosisRecord;
let seq = 0;
const op = (work: Work, more: Partial<Operation> = {}): Operation => ({
  seq: ++seq,
  user: 'u',
  athlete: 'a',
  session: 'x',
  work,
  status: 'waiting',
  reason: null,
  ...more,
});
const observe = (id: string, item: Evidence, more: Partial<Operation> = {}) =>
  op({ kind: 'observe', id, body: { on: TODAY, evidence: item } }, more);
const takeBack = (id: string) => op({ kind: 'take-back', id });

describe('what waits to be sent', () => {
  it('is this athlete’s and this person’s own, and not what is sent or refused already', () => {
    const mine = observe('n1', eye('stall'));
    const others = [
      observe('n2', eye('stall'), { athlete: 'b' }),
      observe('n3', eye('stall'), { user: 'v' }),
      observe('n4', eye('stall'), { status: 'sent' }),
      observe('n5', eye('stall'), { status: 'refused' }),
      op({ kind: 'finish' }),
    ];
    expect(waitingLooks([mine, ...others], 'a', 'u')).toEqual([mine]);
  });
});

describe('a judgement with it', () => {
  const known = recordOf([eye('late-hips'), eye('fly-open', 'no')]);

  it('is the one that the server would make of the same', () => {
    const waiting = [observe('n1', eye('stall')), takeBack('o1')];
    const shown = withWaiting(known, waiting, 'A', true);
    expect(shown.evidence.map((e) => e.id)).toEqual(['o0', 'n1']);
    expect(shown.result).toEqual(diagnose(request([eye('late-hips'), eye('stall')])));
    expect(shown.evidence[1]).toMatchObject({ own: true, by: 'A', on: TODAY });
  });

  it('keeps the server’s numbers while there is a connection', () => {
    const shown = withWaiting(known, [observe('n1', eye('stall'))], 'A', false);
    expect(shown.result).toBe(known.result);
    expect(shown.evidence).toHaveLength(3);
  });

  it('is the same record where nothing waits, counts once what the server has already, and takes back its own', () => {
    expect(withWaiting(known, [], 'A', true)).toBe(known);
    expect(withWaiting(known, [observe('o0', eye('late-hips'))], 'A', true).evidence).toHaveLength(2);
    const both = withWaiting(known, [observe('n1', eye('stall')), takeBack('n1'), takeBack('gone')], 'A', true);
    expect(both.evidence.map((e) => e.id)).toEqual(['o0', 'o1']);
    expect(both.result).toEqual(known.result);
  });
});
