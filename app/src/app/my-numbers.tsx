import { NumbersScreen } from '../features/numbers/NumbersScreen';
import { useOwnAthlete } from '../features/shell/use-own-athlete';

export default function Route() {
  const own = useOwnAthlete();
  return own ? <NumbersScreen key={own} id={own} /> : null;
}
