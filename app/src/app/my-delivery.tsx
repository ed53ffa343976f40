import { AthleteScreen } from '../features/athlete/AthleteScreen';
import { useOwnAthlete } from '../features/shell/use-own-athlete';

export default function Route() {
  const own = useOwnAthlete();
  return own ? <AthleteScreen key={own} id={own} /> : null;
}
