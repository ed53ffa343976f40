/** Kit as it is kept: by commas, null where nobody told. */
export const aidsFrom = (aids: string | null): readonly string[] | null =>
  aids === null ? null : aids === '' ? [] : aids.split(',');
