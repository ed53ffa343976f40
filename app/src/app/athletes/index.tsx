export { AthletesScreen as default } from '../../features/roster/AthletesScreen';
