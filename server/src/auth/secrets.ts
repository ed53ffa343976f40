import { createHash, randomBytes } from 'node:crypto';

/** A secret of 256 bits, safe in an address. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** Secrets are kept as their digests: whoever reads the database cannot use them. */
export const digest = (secret: string): string => createHash('sha256').update(secret).digest('hex');
