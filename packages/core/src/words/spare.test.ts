import { athletePhrases } from './phrases';
import { says, spared } from './spare';

/** Words that an academy starts from, and what others might add. */
const SHIPPED = ['push', 'balance and stop'];

describe('words to avoid', () => {
  it('are found whole and in any case', () => {
    expect(says('Push late.', SHIPPED)).toBe(true);
    expect(says('Balance and stop, then go.', SHIPPED)).toBe(true);
    expect(says('The pusher pushed.', SHIPPED)).toBe(false);
    expect(says('a . b', ['.'])).toBe(true);
    expect(says('anything', ['', ' '])).toBe(false);
  });

  it('are spared by another wording of the whole phrase, never by a word inside it', () => {
    expect(spared('Wait, wait, push', SHIPPED)).toBe('Wait, wait, go');
    expect(spared('Wait, wait, push', [])).toBe('Wait, wait, push');
    // The other wording is not taken where it says what is avoided as well.
    expect(spared('Wait, wait, push', ['push', 'go'])).toBe('Wait, wait, push');
    expect(spared('A sentence of nobody’s: push.', SHIPPED)).toBe('A sentence of nobody’s: push.');
  });

  it('stand in no phrase that an athlete reads, with the shipped list', () => {
    const phrases = athletePhrases();
    expect(phrases.length).toBeGreaterThan(1000);
    for (const phrase of phrases) {
      const said = spared(phrase, SHIPPED);
      expect([phrase, says(said, SHIPPED)]).toEqual([phrase, false]);
      // Either as it is in the catalogue, or another whole phrase.
      expect(said === phrase || says(phrase, SHIPPED)).toBe(true);
    }
  });

  it('are whole sentences still: a capital first, no double blank, no blank before a full stop', () => {
    for (const phrase of athletePhrases().map((p) => spared(p, SHIPPED)))
      expect(phrase).toMatch(/^[\p{Lu}“\d](?!.*( {2}| [.,;:])).*$/u);
  });
});
