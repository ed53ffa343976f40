import type { DatedEvidence, DiagnosisRequest, FindingId, Overrule, TestId, TestSide } from '@wrightonic/core';

export type SupposedAs = Exclude<Overrule['as'], 'root'>;

/** Something taken to be so, in thought only. */
export type Supposition =
  | { readonly kind: 'finding'; readonly finding: FindingId; readonly as: SupposedAs }
  | {
      readonly kind: 'test';
      readonly test: TestId;
      readonly side: TestSide;
      readonly value: number;
      readonly unit: Extract<DatedEvidence, { kind: 'screen' }>['unit'];
    };

/** Two suppositions about one thing cannot both hold. */
export const aboutTheSame = (a: Supposition, b: Supposition): boolean =>
  a.kind === 'finding'
    ? b.kind === 'finding' && a.finding === b.finding
    : b.kind === 'test' && a.test === b.test && a.side === b.side;

/** What would be asked of the judgement if it were so. Nothing is stored; the coach's own words stay where nothing is supposed. */
export function supposing(request: DiagnosisRequest, suppositions: readonly Supposition[]): DiagnosisRequest {
  const findings = suppositions.flatMap((s) => (s.kind === 'finding' ? [{ finding: s.finding, as: s.as }] : []));
  const tests = suppositions.flatMap((s): DatedEvidence[] =>
    s.kind === 'test' ? [{ kind: 'screen', test: s.test, side: s.side, value: s.value, unit: s.unit, on: request.on }] : [],
  );
  const kept = (request.overrules ?? []).filter((o) => !findings.some((f) => f.finding === o.finding));
  return { ...request, evidence: [...request.evidence, ...tests], overrules: [...kept, ...findings] };
}
