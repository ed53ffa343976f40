import { MyDayScreen } from '../features/today/MyDayScreen';
import { TodayScreen } from '../features/today/TodayScreen';
import { api } from '../state/api';

export default function Home() {
  const { data: me } = api.useMeQuery();
  if (!me) return null;
  return me.role === 'athlete' && me.athlete ? <MyDayScreen id={me.athlete} /> : <TodayScreen />;
}
