import { randomFrom } from '@wrightonic/core';
import type { Build, Random } from '@wrightonic/core';

/** Colours of a made-up athlete, as #rrggbb. */
export interface Colours {
  readonly skin: string;
  readonly shirt: string;
  readonly shorts: string;
  readonly shoes: string;
  readonly hair: string;
  readonly cap: string;
}

/** What a made-up athlete wears. */
export interface Clothes {
  readonly sleeves: 'short' | 'long';
  readonly legs: 'shorts' | 'trousers' | 'knickers';
  /** How much wider than the body the cloth hangs, a share. */
  readonly loose: number;
  readonly cap: boolean;
  /** A shirt of one colour, in bands, or with the sleeves of another. */
  readonly shirt: 'plain' | 'bands' | 'raglan';
}

/** The light that a picture is taken in. */
export interface Light {
  /** 1 as it is painted; less is dusk or a hall, more is glare. */
  readonly exposure: number;
  /** From cold (−1) to warm (1). */
  readonly warmth: number;
  /** How hard the sun is: 0 an overcast day, 1 black shade. */
  readonly hardness: number;
}

export const PLACES = ['field', 'park', 'cage', 'hall'] as const;
export type Place = (typeof PLACES)[number];

/** Who and what stands before the camera. */
export interface Look {
  readonly colours: Colours;
  /** Girth of limbs and trunk against the usual one. */
  readonly girth: number;
  readonly clothes: Clothes;
  readonly light: Light;
  readonly place: Place;
}

const PEOPLE: readonly Colours[] = [
  { skin: '#c98f6a', shirt: '#8c3b2e', shorts: '#22304a', shoes: '#e8e4da', hair: '#2a1c14', cap: '#22304a' },
  { skin: '#7a4a30', shirt: '#d8c46a', shorts: '#2f2f33', shoes: '#f0efe9', hair: '#15100d', cap: '#2f2f33' },
  { skin: '#e3b48f', shirt: '#3c6a8f', shorts: '#3d3a36', shoes: '#d9d4c8', hair: '#6b4a2a', cap: '#3d3a36' },
];

/** The look of the demo's clips: one of three people, usual build, on a field in kind light. */
export const plainLook = (seed: number): Look => ({
  colours: PEOPLE[seed % PEOPLE.length]!,
  girth: 1,
  clothes: { sleeves: 'short', legs: 'shorts', loose: 0, cap: false, shirt: 'plain' },
  light: { exposure: 1, warmth: 0, hardness: 0.5 },
  place: 'field',
});

const SKINS = ['#f0cdb0', '#e3b48f', '#c98f6a', '#a56f49', '#7a4a30', '#4f2f20'];
/** Colours that stand out and colours that go under in grass, boards and nets. */
const CLOTHS = ['#8c3b2e', '#d8c46a', '#3c6a8f', '#f1efe8', '#1f2226', '#5f7d4c', '#8b8f92', '#b3895f', '#5b3a72', '#c8702e'];
const HAIRS = ['#15100d', '#2a1c14', '#6b4a2a', '#b58a4e'];

const between = (random: Random, low: number, high: number): number => low + (high - low) * random.uniform();

/** Any look at all: bodies, clothes, places and light that a phone meets, drawn from a seed. */
export function variedLook(seed: number): Look {
  const random = randomFrom(seed);
  const place = random.pick(PLACES);
  const inside = place === 'cage' || place === 'hall';
  return {
    colours: {
      skin: random.pick(SKINS),
      shirt: random.pick(CLOTHS),
      shorts: random.pick(CLOTHS),
      shoes: random.pick(CLOTHS),
      hair: random.pick(HAIRS),
      cap: random.pick(CLOTHS),
    },
    girth: between(random, 0.8, 1.4),
    clothes: {
      sleeves: random.pick(['short', 'long']),
      legs: random.pick(['shorts', 'trousers', 'knickers']),
      loose: between(random, 0, 0.35),
      cap: random.chance(0.6),
      shirt: random.pick(['plain', 'bands', 'raglan']),
    },
    light: {
      exposure: inside ? between(random, 0.55, 0.9) : between(random, 0.6, 1.25),
      warmth: between(random, -1, 1),
      hardness: inside ? between(random, 0.2, 0.6) : between(random, 0, 1),
    },
    place,
  };
}

/** How a body is built, drawn from a seed: legs, shoulders and hips a few per cent off the usual. */
export function variedBuild(seed: number): Build {
  const random = randomFrom(seed + 1);
  return { legs: random.normal(0, 0.025), shoulders: random.normal(0, 0.06), hips: random.normal(0, 0.06) };
}
