export { JoinScreen as default } from '../features/account/JoinScreen';
