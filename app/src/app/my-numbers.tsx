import { NumbersScreen } from '../features/numbers/NumbersScreen';
import { api } from '../state/api';

export default function Route() {
  const { data: me } = api.useMeQuery();
  return me?.athlete ? <NumbersScreen id={me.athlete} /> : null;
}
