import { NumbersScreen } from '../features/numbers/NumbersScreen';
import { useOwnAthlete } from '../parts/use-own-athlete';

export default function Route() {
  const own = useOwnAthlete();
  return own ? <NumbersScreen key={own} id={own} /> : null;
}
