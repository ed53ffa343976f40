import { useLocalSearchParams } from 'expo-router';
import { BodyScreen } from '../../../features/body/BodyScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BodyScreen id={id} />;
}
