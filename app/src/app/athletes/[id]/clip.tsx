import { useLocalSearchParams } from 'expo-router';
import { ClipScreen } from '../../../features/film/ClipScreen';

export default function Route() {
  const { id, clip } = useLocalSearchParams<{ id: string; clip?: string }>();
  return <ClipScreen key={clip} id={id} clip={clip} />;
}
