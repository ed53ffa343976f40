/** Errors gathered by name, and the table of them. */

/** Two-sided 90 %. */
export const COVERS = 1.64;

interface Entry {
  readonly errors: number[];
  covered: number;
  stated: number;
}

export class Tally {
  private readonly entries = new Map<string, Entry>();

  note(key: string, error: number, sd: number): void {
    const entry = this.entries.get(key) ?? { errors: [], covered: 0, stated: 0 };
    entry.errors.push(error);
    entry.covered += Math.abs(error) <= COVERS * sd + 1e-6 ? 1 : 0;
    entry.stated += sd;
    this.entries.set(key, entry);
  }

  /** Lines of bias, SD of the error, stated SD and coverage, by name; `unit` names what they are in. */
  table(unit: (key: string) => string): string[] {
    const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
    return [
      `${'what'.padEnd(38)}${'how'.padEnd(20)}${'n'.padStart(5)}${'bias'.padStart(9)}${'SD'.padStart(8)}${'stated'.padStart(9)}${'covers'.padStart(9)}  unit`,
      ...[...this.entries]
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([key, { errors, covered, stated }]) => {
          const [what = '', how = ''] = key.split('|');
          const bias = mean(errors);
          const sd = Math.sqrt(mean(errors.map((e) => (e - bias) ** 2)));
          const n = errors.length;
          return `${what.padEnd(38)}${how.padEnd(20)}${String(n).padStart(5)}${bias.toFixed(2).padStart(9)}${sd.toFixed(2).padStart(8)}${(stated / n).toFixed(2).padStart(9)}${`${Math.round((100 * covered) / n)} %`.padStart(9)}  ${unit(key)}`;
        }),
    ];
  }
}
