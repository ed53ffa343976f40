export { FindingsScreen as default } from '../../features/desk/FindingsScreen';
