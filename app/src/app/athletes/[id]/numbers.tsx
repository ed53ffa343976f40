import { useLocalSearchParams } from 'expo-router';
import { NumbersScreen } from '../../../features/numbers/NumbersScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <NumbersScreen id={id} />;
}
