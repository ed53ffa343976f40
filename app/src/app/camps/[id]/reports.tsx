import { useLocalSearchParams } from 'expo-router';
import { ReportsScreen } from '../../../features/camps/ReportsScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ReportsScreen id={id} />;
}
