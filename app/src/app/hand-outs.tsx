export { HandOutsScreen as default } from '../features/hand-out/HandOutsScreen';
