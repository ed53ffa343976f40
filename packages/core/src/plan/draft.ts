import { drillById } from '../drills/catalogue';
import { HARD_EFFORT } from '../load/tables';
import { sum } from '../shared/maths';
import type { Context } from './choose';
import { redose } from './dose';
import type { PlanItem, Role } from './types';

const UNCOUNTED: ReadonlySet<Role> = new Set(['prepare', 'warm-throws', 'test']);

/** Items besides preparation, warm-up throws and test, by age. Provenance `house`. */
export const mostItems = (age: number): number => (age < 10 ? 3 : age < 13 ? 4 : 5);

/** A session while it is put together. */
export class Draft {
  readonly items: PlanItem[] = [];

  constructor(
    readonly context: Context,
    readonly share: number,
  ) {}

  get minutes(): number {
    return sum(this.items.map((i) => i.minutes));
  }
  get throws(): number {
    return sum(this.items.map((i) => i.throws));
  }
  get hard(): number {
    return sum(this.items.filter((i) => i.effort[1] >= HARD_EFFORT).map((i) => i.throws));
  }
  get counted(): number {
    return this.items.filter((i) => !UNCOUNTED.has(i.role)).length;
  }
  has(drill: string): boolean {
    return this.items.some((i) => i.drill === drill);
  }
  /** Whether an item fits minutes, throws and the number of items. */
  fits(item: PlanItem): boolean {
    const { day, allowance } = this.context;
    const counts = !UNCOUNTED.has(item.role);
    const hard = item.effort[1] >= HARD_EFFORT ? item.throws : 0;
    return (
      this.minutes + item.minutes <= day.useful &&
      this.throws + item.throws <= this.share &&
      this.hard + hard <= allowance.highEffort &&
      (!counts || this.counted < mostItems(day.age))
    );
  }
  add(item: PlanItem): boolean {
    if (this.has(item.drill) || !this.fits(item)) return false;
    this.items.push(item);
    return true;
  }
  /** Gives an item another set where it fits. */
  grow(item: PlanItem, sets: number, reps: number = item.reps): boolean {
    const at = this.items.indexOf(item);
    const larger = redose(item, drillById(item.drill), sets, reps, this.context.day.place);
    this.items.splice(at, 1);
    const fits = this.fits(larger);
    this.items.splice(at, 0, fits ? larger : item);
    return fits;
  }
}
