// Writes app/src/ui/icon-paths.ts: the few paths that the app draws, taken from the icon package. Metro does not shake trees, so
// importing the package itself would ship all of its seven thousand icons.
import { writeFileSync } from 'node:fs';
import * as mdi from '@mdi/js';
import { inRoot } from './lib/paths.mjs';

const ICONS = {
  'account-group': 'mdiAccountGroup',
  alert: 'mdiAlertOctagonOutline',
  'arrow-left': 'mdiArrowLeft',
  'arrow-up': 'mdiArrowUp',
  today: 'mdiCalendarToday',
  check: 'mdiCheck',
  'chevron-down': 'mdiChevronDown',
  'chevron-left': 'mdiChevronLeft',
  'chevron-right': 'mdiChevronRight',
  'chevron-up': 'mdiChevronUp',
  close: 'mdiClose',
  offline: 'mdiCloudOffOutline',
  delivery: 'mdiRunFast',
  numbers: 'mdiChartLine',
  drills: 'mdiDumbbell',
  help: 'mdiHelp',
  magnify: 'mdiMagnify',
  'menu-down': 'mdiMenuDown',
  minus: 'mdiMinus',
  desk: 'mdiTune',
};
const lines = Object.entries(ICONS).map(([name, key]) => `  ${/^[a-z]+$/.test(name) ? name : `'${name}'`}: '${mdi[key]}',`);
writeFileSync(
  inRoot('app', 'src', 'ui', 'icon-paths.ts'),
  `/** Written by scripts/icons.mjs from @mdi/js (Apache-2.0). */\nexport const ICON_PATHS: Readonly<Record<string, string>> = {\n${lines.join('\n')}\n};\n`,
);
