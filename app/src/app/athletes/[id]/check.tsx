import { useLocalSearchParams } from 'expo-router';
import { CheckScreen } from '../../../features/body/CheckScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CheckScreen id={id} />;
}
