import { FINDING_IDS } from '@wrightonic/core';
import { useLocalSearchParams } from 'expo-router';
import { MapScreen } from '../../../features/diagnosis/MapScreen';

export default function Route() {
  const { id, centre } = useLocalSearchParams<{ id: string; centre?: string }>();
  return <MapScreen key={centre} id={id} centre={FINDING_IDS.find((f) => f === centre)} />;
}
