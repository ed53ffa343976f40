export { NewAthleteScreen as default } from '../../features/athlete/NewAthleteScreen';
