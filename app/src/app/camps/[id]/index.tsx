import { useLocalSearchParams } from 'expo-router';
import { CampScreen } from '../../../features/camps/CampScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CampScreen id={id} />;
}
