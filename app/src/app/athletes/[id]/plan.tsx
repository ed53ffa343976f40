import { useLocalSearchParams } from 'expo-router';
import { PlanScreen } from '../../../features/plan/PlanScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PlanScreen id={id} />;
}
