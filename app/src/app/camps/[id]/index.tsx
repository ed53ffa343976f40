import { Redirect, useLocalSearchParams } from 'expo-router';
import { CampScreen } from '../../../features/camps/CampScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  // Above a camp that is not there yet are all the others.
  return id === 'new' ? <Redirect href="/camps" /> : <CampScreen id={id} />;
}
