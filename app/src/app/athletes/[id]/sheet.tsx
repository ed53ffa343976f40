import { useLocalSearchParams } from 'expo-router';
import { SheetScreen } from '../../../features/sheet/SheetScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SheetScreen id={id} />;
}
