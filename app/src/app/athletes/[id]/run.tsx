import { useLocalSearchParams } from 'expo-router';
import { RunScreen } from '../../../features/run/RunScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RunScreen id={id} back={`/athletes/${id}`} />;
}
