import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { IntakeScreen } from '../../features/intake/IntakeScreen';
import { newId } from '../../data/ids';

export default function Route() {
  const { id } = useLocalSearchParams<{ id?: string }>();
  const [fresh] = useState(newId);
  return <IntakeScreen key={id ?? fresh} id={id ?? fresh} known={false} />;
}
