import { useLocalSearchParams } from 'expo-router';
import { IntakeScreen } from '../../../features/intake/IntakeScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <IntakeScreen id={id} known />;
}
