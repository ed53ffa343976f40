import qrcode from 'qrcode-generator';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { LIGHT } from './theme';

const QUIET = 4;

/** A link as a QR code, dark on light in either theme, because that is what cameras read. */
export function QrCode({ text, size = 220, label }: { readonly text: string; readonly size?: number; readonly label: string }) {
  const { path, side } = useMemo(() => {
    const code = qrcode(0, 'M');
    code.addData(text);
    code.make();
    const count = code.getModuleCount();
    let d = '';
    for (let row = 0; row < count; row++)
      for (let column = 0; column < count; column++)
        if (code.isDark(row, column)) d += `M${column + QUIET} ${row + QUIET}h1v1h-1z`;
    return { path: d, side: count + 2 * QUIET };
  }, [text]);
  return (
    <View role="img" aria-label={label} style={{ width: size, height: size }}>
      <Svg width={size} height={size} viewBox={`0 0 ${side} ${side}`}>
        <Rect width={side} height={side} fill={LIGHT.sheet} />
        <Path d={path} fill={LIGHT.ink} />
      </Svg>
    </View>
  );
}
