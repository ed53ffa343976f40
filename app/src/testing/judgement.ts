/** A judgement as the server tells it, made here from what was seen. */
import type { DiagnosisRecord } from '@wrightonic/contract';
import { diagnose } from '@wrightonic/core';
import type { DiagnosisRequest } from '@wrightonic/core';

export const recordOf = (asked: DiagnosisRequest, more: Partial<DiagnosisRecord> = {}): DiagnosisRecord => ({
  id: '',
  on: asked.on,
  catalogueVersion: '1',
  result: diagnose(asked),
  evidence: asked.evidence.map(({ on = asked.on, by = '', weighs: _, ...item }, i) => ({
    id: `o${i}`,
    on,
    by,
    source: 'coach',
    own: true,
    clips: [],
    evidence: item,
  })),
  request: asked,
  rulings: [],
  changes: null,
  ...more,
});
