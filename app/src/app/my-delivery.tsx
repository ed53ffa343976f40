import { AthleteScreen } from '../features/athlete/AthleteScreen';
import { useOwnAthlete } from '../parts/use-own-athlete';

export default function Route() {
  const own = useOwnAthlete();
  return own ? <AthleteScreen key={own} id={own} /> : null;
}
