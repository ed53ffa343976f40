import {
  mdiAccountGroup,
  mdiAlertOctagonOutline,
  mdiArrowLeft,
  mdiArrowUp,
  mdiCalendarToday,
  mdiCheck,
  mdiChevronDown,
  mdiChevronLeft,
  mdiChevronRight,
  mdiChevronUp,
  mdiClose,
  mdiCloudOffOutline,
  mdiDumbbell,
  mdiEyeOutline,
  mdiHelp,
  mdiMagnify,
  mdiMenuDown,
  mdiMinus,
  mdiPlus,
  mdiSwapHorizontal,
  mdiTune,
  mdiUndo,
} from '@mdi/js';
import Svg, { Path } from 'react-native-svg';

const PATHS: Record<string, string> = {
  'account-group': mdiAccountGroup,
  alert: mdiAlertOctagonOutline,
  'arrow-left': mdiArrowLeft,
  'arrow-up': mdiArrowUp,
  today: mdiCalendarToday,
  check: mdiCheck,
  'chevron-down': mdiChevronDown,
  'chevron-left': mdiChevronLeft,
  'chevron-right': mdiChevronRight,
  'chevron-up': mdiChevronUp,
  close: mdiClose,
  offline: mdiCloudOffOutline,
  drills: mdiDumbbell,
  eye: mdiEyeOutline,
  help: mdiHelp,
  magnify: mdiMagnify,
  'menu-down': mdiMenuDown,
  minus: mdiMinus,
  plus: mdiPlus,
  swap: mdiSwapHorizontal,
  desk: mdiTune,
  undo: mdiUndo,
};

interface Props {
  readonly name: string;
  readonly color?: string;
  readonly size?: number;
  readonly testID?: string;
}

/** An icon from the package's paths. Paper's own icons come here too. */
export default function Icon({ name, color, size = 24, testID }: Props) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" testID={testID} aria-hidden>
      <Path d={PATHS[name] ?? mdiHelp} fill={color ?? 'currentColor'} />
    </Svg>
  );
}
