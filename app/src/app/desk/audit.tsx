export { AuditScreen as default } from '../../features/desk/AuditScreen';
