export { CampsScreen as default } from '../../features/camps/CampsScreen';
