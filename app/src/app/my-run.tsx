import { RunScreen } from '../features/run/RunScreen';
import { useOwnAthlete } from '../parts/use-own-athlete';

export default function Route() {
  const own = useOwnAthlete();
  return own ? <RunScreen key={own} id={own} back="/" /> : null;
}
