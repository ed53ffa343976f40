export { GunsScreen as default } from '../../features/desk/GunsScreen';
