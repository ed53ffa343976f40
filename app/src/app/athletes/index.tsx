export { AthletesScreen as default } from '../../features/athlete/AthletesScreen';
