import { JOINTS } from '../delivery/body';
import { DISCIPLINES, LINKS } from '../delivery/links';
import { linkMovement } from './link-figure';

describe.each(DISCIPLINES)('the %s figure of a link', (discipline) => {
  it.each(LINKS)('moves through “%s” and loops without a jump', (link) => {
    const at = linkMovement(link, discipline, 1.6, 13);
    const apart = (a: number, b: number) => {
      const [from, to] = [at(a), at(b)];
      return Math.max(...JOINTS.map((j) => Math.hypot(...[0, 1, 2].map((axis) => from[j][axis]! - to[j][axis]!))));
    };
    expect(apart(0, 0.999)).toBeLessThan(0.02);
    let way = 0;
    for (let t = 0; t < 1; t += 0.01) {
      // The hand is fastest; a jump would be a metre.
      expect(apart(t, t + 0.01)).toBeLessThan(0.25);
      way += apart(t, t + 0.01);
    }
    expect(way).toBeGreaterThan(0.05);
    for (const joint of JOINTS) expect(at(0.4)[joint][2]).toBeGreaterThan(-0.03);
  });
});
