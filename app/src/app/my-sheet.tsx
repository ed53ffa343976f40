import { SheetScreen } from '../features/sheet/SheetScreen';
import { useOwnAthlete } from '../parts/use-own-athlete';

export default function Route() {
  const own = useOwnAthlete();
  return own ? <SheetScreen key={own} id={own} /> : null;
}
