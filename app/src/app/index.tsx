import { may, reachOf } from '@wrightonic/contract';
import { useOwnAthlete } from '../parts/use-own-athlete';
import { StationScreen } from '../features/station/StationScreen';
import { MyDayScreen } from '../features/today/MyDayScreen';
import { TodayScreen } from '../features/today/TodayScreen';
import { api } from '../data/api';

export default function Home() {
  const { data: me } = api.useMeQuery();
  const own = useOwnAthlete();
  if (!me) return null;
  if (may(me.role, 'seeToday')) return <TodayScreen />;
  if (reachOf('seeRoster', me.role) === 'groups') return <StationScreen />;
  return own ? <MyDayScreen key={own} id={own} /> : null;
}
