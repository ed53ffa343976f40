import { useLocalSearchParams } from 'expo-router';
import { BoardScreen } from '../../../features/camps/BoardScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BoardScreen id={id} />;
}
