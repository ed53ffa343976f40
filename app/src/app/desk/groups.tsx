export { GroupsScreen as default } from '../../features/desk/GroupsScreen';
