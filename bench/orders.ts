/** Elimination orders of the catalogue's own structures, as the file that ships them. */
import { diagnose, judgedStructures, searchOrder, structureKey } from '@wrightonic/core';
import type { AthleteProfile } from '@wrightonic/core';

for (const discipline of ['overhand', 'windmill'] as const) {
  const athlete: AthleteProfile = {
    discipline,
    throws: 'R',
    birthDate: '2010-02-11',
    heightM: 1.8,
    massKg: 74,
    level: 'high-school',
  };
  diagnose({ on: '2026-06-01', athlete, evidence: [] });
  diagnose({ on: '2026-06-01', athlete, evidence: [{ kind: 'eye', finding: 'idle-drive-leg', answer: 'yes' }] });
}
const lines = judgedStructures().map(({ cardinalities, scopes }) => {
  const { order } = searchOrder(cardinalities, scopes);
  return `  '${structureKey(cardinalities, scopes)}': [${order.join(', ')}],`;
});
console.log(
  `/** Written by \`node scripts/orders.mjs\`. */\nexport const SHIPPED_ORDERS: Readonly<Record<string, readonly number[]>> = {\n${lines.join('\n')}\n};`,
);
