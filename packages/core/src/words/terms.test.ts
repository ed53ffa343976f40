import { LIMIT_IDS } from '../findings/ids';
import { MEASURES } from '../delivery/measures';
import { BODY_TESTS } from '../body/catalogue';
import { MEASURE_TERMS, termOf } from './terms';

describe('the field’s own terms', () => {
  it('stand beside every test, every measure and every limit, each its own', () => {
    const all = [
      ...BODY_TESTS.map((t) => t.term),
      ...MEASURES.map((m) => MEASURE_TERMS[m.id]),
      ...LIMIT_IDS.map((id) => termOf(id)!),
    ];
    expect(all.every((term) => term.length > 4)).toBe(true);
    expect(new Set(BODY_TESTS.map((t) => t.term)).size).toBe(BODY_TESTS.length);
    expect(new Set(MEASURES.map((m) => MEASURE_TERMS[m.id])).size).toBe(MEASURES.length);
  });

  it('tell the sides of a limit apart', () => expect(termOf('drive-hip-ir')).not.toBe(termOf('lead-hip-ir')));
});
