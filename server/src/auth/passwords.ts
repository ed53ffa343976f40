import { hash, verify } from '@node-rs/argon2';

/** Argon2id (the package's default variant) with the parameters of the OWASP password storage cheat sheet. */
const PARAMETERS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, PARAMETERS);

let decoy: Promise<string> | null = null;

/** Checks a password. Without a hash the same time is spent, so that the answer does not tell who exists. */
export async function passwordMatches(passwordHash: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword('nobody has this password');
  const matches = await verify(passwordHash ?? (await decoy), password);
  return matches && passwordHash !== null;
}
