import { MyCampsScreen } from '../features/camps/MyCampsScreen';
import { useOwnAthlete } from '../parts/use-own-athlete';

export default function Route() {
  const own = useOwnAthlete();
  return own ? <MyCampsScreen key={own} id={own} /> : null;
}
