export { InstrumentScreen as default } from '../features/body/InstrumentScreen';
