export { SharedScreen as default } from '../features/sheet/SharedScreen';
