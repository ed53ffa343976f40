export { RadarStandIn as default } from '../features/run/radar/RadarStandIn';
