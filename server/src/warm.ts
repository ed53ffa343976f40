import { DISCIPLINES, diagnose } from '@wrightonic/core';
import type { DatedEvidence } from '@wrightonic/core';

const ON = '2026-01-15';
const SEEN: readonly DatedEvidence[] = [
  { kind: 'eye', finding: 'late-hips', answer: 'yes', on: ON },
  { kind: 'eye', finding: 'stall', answer: 'no', on: ON },
];
const TIMES = 3;

/** Judges somebody made up a few times: what is slow is slow the first time only, and nobody waits for it. */
export function warmUp(): void {
  for (let time = 0; time < TIMES; time++)
    for (const discipline of DISCIPLINES)
      diagnose({
        on: ON,
        athlete: { discipline, throws: 'R', birthDate: '2010-01-15', heightM: 1.75, massKg: 65, level: 'high-school' },
        evidence: discipline === 'overhand' ? SEEN : [],
      });
}
