/** Numbers as people type them. Nothing written is undefined; what is no number is null, and never quietly nothing. */
export type Read = number | undefined | null;

/** “ 4,5 ”, “-3” and “−3” (a true minus) are numbers; “4o”, “1e3” and “4.5.6” are not. */
export function readNumber(text: string): Read {
  const written = text.trim();
  if (written === '') return undefined;
  return /^[-−+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(written) ? Number(written.replace('−', '-').replace(',', '.')) : null;
}

/** A count: digits alone. */
export function readWhole(text: string): Read {
  const written = text.trim();
  if (written === '') return undefined;
  return /^\d{1,9}$/.test(written) ? Number(written) : null;
}
