import { useLocalSearchParams } from 'expo-router';
import { LadderScreen } from '../../features/drills/LadderScreen';

export default function Ladder() {
  const { finding = '', discipline = 'overhand' } = useLocalSearchParams<{ finding?: string; discipline?: string }>();
  return <LadderScreen key={`${discipline}|${finding}`} finding={finding} discipline={discipline} />;
}
