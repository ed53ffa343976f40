import type { DiagnosisRecord, ObservationRecord } from '@wrightonic/contract';
import { diagnose } from '@wrightonic/core';
import type { Operation } from '../data/operations';

/** What of an athlete was seen on this device and has not reached the server: still to send, in its order. */
export const waitingLooks = (operations: readonly Operation[], athlete: string, user: string): Operation[] =>
  operations.filter(
    (o) =>
      o.athlete === athlete &&
      o.user === user &&
      o.status === 'waiting' &&
      (o.work.kind === 'observe' || o.work.kind === 'take-back'),
  );

/**
 * A judgement with what waits on this device: seen things are there, taken back ones are gone.
 * @param judged whether the judgement itself is made anew on the device; without it, its numbers are the server's last
 * @example withWaiting(record, waitingLooks(operations, athlete, me.id), me.name, !connected)
 */
export function withWaiting(
  record: DiagnosisRecord,
  waiting: readonly Operation[],
  by: string,
  judged: boolean,
): DiagnosisRecord {
  if (waiting.length === 0) return record;
  const items = record.evidence.map((shown, i) => ({ shown, asked: record.request.evidence[i]! }));
  for (const { work } of waiting) {
    if (work.kind === 'observe' && !items.some(({ shown }) => shown.id === work.id)) {
      const { on, evidence } = work.body;
      const shown: ObservationRecord = { id: work.id, on, evidence, by, own: true, source: 'coach', clips: [] };
      items.push({ shown, asked: { ...evidence, on } });
    }
    if (work.kind === 'take-back') {
      const at = items.findIndex(({ shown }) => shown.id === work.id);
      if (at >= 0) items.splice(at, 1);
    }
  }
  const request = { ...record.request, evidence: items.map(({ asked }) => asked) };
  return {
    ...record,
    evidence: items.map(({ shown }) => shown),
    request,
    result: judged ? diagnose(request) : record.result,
  };
}
