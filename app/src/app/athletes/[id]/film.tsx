import { useLocalSearchParams } from 'expo-router';
import { FilmScreen } from '../../../features/film/bring-in/FilmScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FilmScreen id={id} />;
}
