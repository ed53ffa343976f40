/** Prints every ladder as a row: direct drills by rung, and what the catalogue’s rules find missing. */
import { DRILLS, findingById, LADDERS, ladderFaults } from '@wrightonic/core';

console.log(`${DRILLS.length} drills, ${LADDERS.length} ladders\n`);
console.log(`${'finding'.padEnd(24)}${'discipline'.padEnd(12)}${'kind'.padEnd(7)} 0  1  2  3  4  5  6   drills`);
let faults = 0;
for (const ladder of LADDERS) {
  const counts = ladder.rungs.map((r) => ('drills' in r ? String(r.drills.length) : '·').padStart(2)).join(' ');
  const drills = new Set(ladder.rungs.flatMap((r) => ('drills' in r ? r.drills : []))).size;
  console.log(
    `${ladder.finding.padEnd(24)}${ladder.discipline.padEnd(12)}${findingById(ladder.finding).kind.padEnd(6)}${counts}   ${drills}`,
  );
  for (const fault of ladderFaults(ladder)) {
    faults++;
    console.log(`    ${fault}`);
  }
}
console.log(`\n${faults} faults`);
