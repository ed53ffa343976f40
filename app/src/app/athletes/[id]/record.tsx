import { useLocalSearchParams } from 'expo-router';
import { RecordScreen } from '../../../features/athlete/RecordScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RecordScreen id={id} />;
}
