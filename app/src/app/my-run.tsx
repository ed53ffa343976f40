import { RunScreen } from '../features/run/RunScreen';
import { api } from '../state/api';

export default function Route() {
  const { data: me } = api.useMeQuery();
  return me?.athlete ? <RunScreen id={me.athlete} back="/" /> : null;
}
