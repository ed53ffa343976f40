import { useLocalSearchParams } from 'expo-router';
import { FirstLookScreen } from '../../../features/camps/first-look/FirstLookScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FirstLookScreen id={id} />;
}
