import { useLocalSearchParams } from 'expo-router';
import { AthleteScreen } from '../../../features/athlete/AthleteScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AthleteScreen id={id} />;
}
