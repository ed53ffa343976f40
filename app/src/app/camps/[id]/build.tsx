import { useLocalSearchParams } from 'expo-router';
import { BuildScreen } from '../../../features/camps/BuildScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BuildScreen id={id} />;
}
