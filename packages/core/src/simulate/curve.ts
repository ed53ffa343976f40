/** A smooth curve through points: cubic pieces with slopes from the neighbours, at rest at both ends. */
export function curve(times: readonly number[], values: readonly number[]): (t: number) => number {
  const n = times.length;
  const slope = values.map((_, i) =>
    i === 0 || i === n - 1 ? 0 : (values[i + 1]! - values[i - 1]!) / (times[i + 1]! - times[i - 1]!),
  );
  return (t) => {
    if (t <= times[0]!) return values[0]!;
    if (t >= times[n - 1]!) return values[n - 1]!;
    let i = 0;
    while (t > times[i + 1]!) i++;
    const h = times[i + 1]! - times[i]!;
    const s = (t - times[i]!) / h;
    const squared = s ** 2;
    const cubed = s ** 3;
    const a = 2 * cubed - 3 * squared + 1;
    const b = cubed - 2 * squared + s;
    const c = -2 * cubed + 3 * squared;
    const d = cubed - squared;
    return a * values[i]! + b * h * slope[i]! + c * values[i + 1]! + d * h * slope[i + 1]!;
  };
}
