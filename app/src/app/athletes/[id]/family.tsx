import { useLocalSearchParams } from 'expo-router';
import { FamilyScreen } from '../../../features/athlete/FamilyScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FamilyScreen id={id} />;
}
