import { useLocalSearchParams } from 'expo-router';
import { WhatIfScreen } from '../../../features/diagnosis/WhatIfScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WhatIfScreen id={id} />;
}
