export { PeopleScreen as default } from '../../features/desk/PeopleScreen';
