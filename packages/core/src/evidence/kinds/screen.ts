import { bandFor, bodyTestById } from '../../body/catalogue';
import type { BodyTest, TestId } from '../../body/catalogue';
import type { TestSide } from '../../delivery/sides';
import { MISTAKEN } from '../densities';
import { house, PERCENT } from '../kind';
import type { EvidenceKind, Place } from '../kind';
import { BODY_AGEING, screenSays, speaksFor } from '../screened';

/** A value of a physical test on one side. */
export interface ScreenEvidence {
  readonly kind: 'screen';
  readonly test: TestId;
  readonly side: TestSide;
  readonly value: number;
  readonly unit: BodyTest['unit'];
  /** Readings that the value stands on; one where it is left out. */
  readonly readings?: number;
}

const hasTallTurn = ({ side }: ScreenEvidence, { evidence, standing, index }: Place): boolean =>
  evidence.some(
    (other, at) =>
      other.kind === 'screen' &&
      other.test === 'trunk-rotation' &&
      other.side === side &&
      standing.dayOf(at) === standing.dayOf(index),
  );

export const SCREEN_KIND: EvidenceKind<ScreenEvidence> = {
  kind: 'screen',
  ...BODY_AGEING,
  weighsItself: true,
  thingsOf: (item) => [`screen:${item.test}:${item.side}`],
  looksAt(item) {
    const finding = bodyTestById(item.test).speaksOf[item.side];
    return finding ? [finding] : [];
  },
  says(item, { index, evidence, standing, situation, require }) {
    const test = bodyTestById(item.test);
    require(test.sides.includes(item.side), 'side', `${test.id} is done on ${test.sides.join(' or ')}, not on “${item.side}”`);
    require(test.unit === item.unit, 'unit', `${test.id} is read in ${test.unit}, not in “${item.unit}”`);
    const finding = speaksFor(test, item.side, situation);
    return { ...screenSays(item, index, evidence, standing, situation), about: finding ? [finding] : [] };
  },
  numbers(item, { athlete, on, numbers }) {
    const test = bodyTestById(item.test);
    const band = bandFor(test, athlete, on, numbers?.tests);
    const changed = numbers?.tests?.[test.id] !== undefined;
    const { provenance, unit } = test;
    return [
      { name: 'Free from', value: band.pass, unit, provenance, changed },
      { name: 'A limit below', value: band.watch, unit, provenance, changed },
      house('Error of one reading, SD', test.readingSd, unit),
      house('Readings that say nothing', 100 * MISTAKEN, PERCENT),
    ];
  },
  whySilent(item, place, about) {
    if (item.test === 'trunk-rotation-slouched' && !hasTallTurn(item, place))
      return 'The slouched turn is held against the tall one of the same day, which is not there.';
    const { adultsOnly, name } = bodyTestById(item.test);
    return adultsOnly && about.length === 0 ? `${name} counts from 18 on; it is kept and says nothing yet.` : null;
  },
  words: (item, say) =>
    `${bodyTestById(item.test).name}${item.side === 'none' ? '' : `, ${say.side(item.side)}`}: ${say.value(item.value, item.unit)}`,
};
