import { useLocalSearchParams } from 'expo-router';
import { WhatScreen } from '../../../features/diagnosis/WhatScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WhatScreen id={id} />;
}
