export { FilesScreen as default } from '../../features/desk/FilesScreen';
