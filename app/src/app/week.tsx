export { WeekScreen as default } from '../features/today/WeekScreen';
