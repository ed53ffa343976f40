export { SettingsScreen as default } from '../../features/desk/SettingsScreen';
