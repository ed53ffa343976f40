import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Seeded randomness: the same seed gives the same draws everywhere. */
export interface Random {
  /** Uniform in [0, 1). */
  readonly uniform: () => number;
  readonly chance: (probability: number) => boolean;
  readonly normal: (mean: number, sd: number) => number;
  readonly pick: <T>(list: readonly T[]) => T;
}

/** First draws of neighbouring seeds are alike; they are thrown away. */
const WARM_UP = 40;

export function randomFrom(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  for (let draw = 0; draw < WARM_UP; draw++) generator.next();
  const uniform = () => uniformFloat64(generator);
  return {
    uniform,
    chance: (probability) => uniform() < probability,
    // Box and Muller (1958).
    normal: (mean, sd) => mean + sd * Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    pick: (list) => list[Math.floor(uniform() * list.length)]!,
  };
}
