import { useLocalSearchParams } from 'expo-router';
import { LookScreen } from '../../../features/look/LookScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LookScreen id={id} />;
}
