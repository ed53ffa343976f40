import { useLocalSearchParams } from 'expo-router';
import { ClipScreen } from '../../../features/film/clip/ClipScreen';

export default function Route() {
  const { id, clip, event } = useLocalSearchParams<{ id: string; clip?: string; event?: string }>();
  return <ClipScreen key={clip} id={id} clip={clip} event={event} />;
}
