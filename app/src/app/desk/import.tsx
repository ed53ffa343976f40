export { ImportScreen as default } from '../../features/desk/ImportScreen';
