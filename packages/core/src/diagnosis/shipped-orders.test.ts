import { DISCIPLINES } from '../delivery/links';
import { THROWER } from '../testing/athletes';
import { diagnose } from './diagnose';
import { judgedStructures } from './network-plan';
import { eliminationOrder, searchOrder, structureKey } from './order';
import { SHIPPED_ORDERS } from './shipped-orders';

describe('shipped elimination orders', () => {
  it('are there for everything that the catalogue judges, as good as a search finds (else: node scripts/orders.mjs)', () => {
    for (const discipline of DISCIPLINES) {
      diagnose({ on: '2026-06-01', athlete: { ...THROWER, discipline }, evidence: [] });
      diagnose({
        on: '2026-06-01',
        athlete: { ...THROWER, discipline },
        evidence: [{ kind: 'eye', finding: 'idle-drive-leg', answer: 'yes' }],
      });
    }
    const structures = judgedStructures();
    expect(structures.length).toBeGreaterThanOrEqual(2 * DISCIPLINES.length);
    for (const { cardinalities, scopes } of structures) {
      expect(Object.keys(SHIPPED_ORDERS)).toContain(structureKey(cardinalities, scopes));
      const shipped = eliminationOrder(cardinalities, scopes);
      expect([...shipped.order].sort((a, b) => a - b)).toEqual(cardinalities.map((_, i) => i));
      expect(shipped.cost).toBe(searchOrder(cardinalities, scopes).cost);
    }
  });

  it('are not taken for another structure', () => {
    const scopes = [
      [0, 1],
      [1, 2],
      [2, 0],
    ];
    expect(structureKey([2, 2, 2], scopes)).not.toBe(structureKey([2, 2, 3], scopes));
    expect(structureKey([2, 2, 2], scopes)).not.toBe(structureKey([2, 2, 2], [...scopes].reverse()));
    expect([...eliminationOrder([2, 2, 2], scopes).order].sort()).toEqual([0, 1, 2]);
  });
});
