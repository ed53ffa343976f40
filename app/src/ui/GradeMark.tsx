import type { Grade } from '@wrightonic/core';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { usePalette } from './theme';

export const GRADE_WORDS: Record<Grade, string> = { pass: 'free', watch: 'worth watching', limit: 'a limit' };

/** A grade by shape: an open ring is free, a half-filled square is worth watching, a full wedge is a limit. */
export function GradeMark({
  grade,
  size = 16,
  label = GRADE_WORDS[grade],
}: {
  readonly grade: Grade;
  readonly size?: number;
  readonly label?: string;
}) {
  const palette = usePalette();
  return (
    <View role="img" aria-label={label} style={{ width: size, height: size }}>
      <Svg width={size} height={size} viewBox="0 0 16 16">
        {grade === 'pass' ? <Circle cx={8} cy={8} r={6} fill="none" stroke={palette.spruce} strokeWidth={2} /> : null}
        {grade === 'watch' ? (
          <>
            <Path d="M2 2h12v12H2z" fill="none" stroke={palette.brass} strokeWidth={2} />
            <Path d="M2 8h12v6H2z" fill={palette.brass} />
          </>
        ) : null}
        {grade === 'limit' ? <Path d="M1 14 15 14 15 2z" fill={palette.clay} /> : null}
      </Svg>
    </View>
  );
}

const BAND_WORDS: Record<Grade, string> = { pass: 'in the band', watch: 'at the edge of the band', limit: 'outside the band' };

/** Where a measured value stands to its band. @param off how far outside it lies, in its own SDs; 0 inside */
export function BandMark({ off }: { readonly off: number }) {
  // Outside by less than the reading's own error is no more than near the edge.
  const grade = off > 1 ? 'limit' : off > 0 ? 'watch' : 'pass';
  return <GradeMark grade={grade} label={BAND_WORDS[grade]} />;
}
