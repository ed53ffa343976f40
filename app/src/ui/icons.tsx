import Svg, { Path } from 'react-native-svg';
import { ICON_PATHS } from './icon-paths';

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
      <Path d={ICON_PATHS[name] ?? ICON_PATHS.help} fill={color ?? 'currentColor'} />
    </Svg>
  );
}
