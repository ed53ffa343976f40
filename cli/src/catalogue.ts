import {
  ARROWS,
  BODY_TESTS,
  CATALOGUE_VERSION,
  DRILLS,
  FINDINGS,
  GATE_DEFAULTS,
  HIGH_EFFORT_DAILY,
  INNINGS_YEAR,
  LADDERS,
  LEAKS,
  MEASURES,
  OVERHAND_DAILY,
  OVERHAND_REST,
  PRACTICE_BUDGET,
  PRACTICE_RULES,
  RUNG_NAMES,
  SCHOOL_OPTIONS,
  SIGNS,
  STRENGTH,
  WINDMILL_LIMITS,
} from '@wrightonic/core';

/** All the catalogues as the product uses them. */
export function catalogue(): object {
  return {
    version: CATALOGUE_VERSION,
    findings: FINDINGS.map((finding) => ({
      ...finding,
      causes: ARROWS.filter((a) => a.consequence === finding.id).map((a) => a.cause),
      consequences: ARROWS.filter((a) => a.cause === finding.id).map((a) => a.consequence),
    })),
    arrows: ARROWS.map((arrow) => ({ ...arrow, weight: STRENGTH[arrow.strength], provenance: 'house' })),
    leaks: LEAKS,
    signs: SIGNS,
    drills: DRILLS,
    ladders: LADDERS,
    // Without what only a drawing needs.
    tests: BODY_TESTS.map(({ poses: _poses, shows: _shows, ...test }) => test),
    measures: MEASURES,
    rules: {
      gate: { ...GATE_DEFAULTS, provenance: 'house' },
      rungs: RUNG_NAMES,
      overhandDaily: { rows: OVERHAND_DAILY, provenance: 'published' },
      overhandRest: {
        rows: OVERHAND_REST.map((row) => ({
          from: row.from,
          value: row.value.map(([upTo, days]) => ({ upTo: Number.isFinite(upTo) ? upTo : null, days })),
        })),
        provenance: 'published',
      },
      windmillLimits: { rows: WINDMILL_LIMITS, provenance: 'published' },
      inningsYear: { rows: INNINGS_YEAR, provenance: 'published' },
      practiceBudget: { rows: PRACTICE_BUDGET, provenance: 'house' },
      highEffortDaily: { rows: HIGH_EFFORT_DAILY, provenance: 'house' },
      practice: { ...PRACTICE_RULES, provenance: 'house' },
      schools: SCHOOL_OPTIONS,
    },
  };
}
