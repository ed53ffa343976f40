import type { Context } from './choose';
import { redose } from './dose';
import { hardThrows, takesAPlace, totalsOf } from './totals';
import type { PlanItem } from './types';

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
    return totalsOf(this.items).minutes;
  }
  get throws(): number {
    return totalsOf(this.items).throws;
  }
  get counted(): number {
    return this.items.filter(takesAPlace).length;
  }
  has(drill: string): boolean {
    return this.items.some((i) => i.drill === drill);
  }
  /** Whether an item fits minutes, throws and the number of items. */
  fits(item: PlanItem): boolean {
    const { day, allowance } = this.context;
    const now = totalsOf(this.items);
    return (
      now.minutes + item.minutes <= day.useful &&
      now.throws + item.throws <= this.share &&
      now.highEffort + hardThrows(item) <= allowance.highEffort &&
      (!takesAPlace(item) || this.counted < mostItems(day.age))
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
    const larger = redose(item, this.context.request, sets, reps, this.context.day.place);
    this.items.splice(at, 1);
    const fits = this.fits(larger);
    this.items.splice(at, 0, fits ? larger : item);
    return fits;
  }
}
