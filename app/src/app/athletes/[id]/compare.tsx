import { useLocalSearchParams } from 'expo-router';
import { CompareScreen } from '../../../features/film/compare/CompareScreen';

export default function Route() {
  const { id, a, b } = useLocalSearchParams<{ id: string; a?: string; b?: string }>();
  return <CompareScreen id={id} first={a} second={b} />;
}
