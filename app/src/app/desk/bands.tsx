export { BandsScreen as default } from '../../features/desk/BandsScreen';
