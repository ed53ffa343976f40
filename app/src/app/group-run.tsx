export { GroupScreen as default } from '../features/run/group/GroupScreen';
