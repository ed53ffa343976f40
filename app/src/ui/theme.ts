import { configureFonts, MD3DarkTheme, MD3LightTheme, useTheme } from 'react-native-paper';
import type { MD3Theme } from 'react-native-paper';

/** Our own tones beside Paper's: chalk, spruce, clay, brass. */
export interface Palette {
  readonly paper: string;
  readonly sheet: string;
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly spruce: string;
  readonly onSpruce: string;
  readonly spruceWash: string;
  readonly clay: string;
  readonly onClay: string;
  readonly clayWash: string;
  readonly brass: string;
  readonly brassWash: string;
  readonly limb: string;
}

export const LIGHT: Palette = {
  paper: '#f6f2e8',
  sheet: '#fffdf6',
  ink: '#22302b',
  soft: '#57635c',
  line: '#cfc5b0',
  spruce: '#1f4d43',
  onSpruce: '#fbf8ef',
  spruceWash: '#dde6dd',
  clay: '#9c4221',
  onClay: '#fff8f2',
  clayWash: '#f3ddcf',
  brass: '#855d12',
  brassWash: '#efe2c2',
  limb: '#e4dac4',
};
export const DARK: Palette = {
  paper: '#161d1a',
  sheet: '#1f2824',
  ink: '#efe9da',
  soft: '#b0b8ae',
  line: '#46524b',
  spruce: '#9fcbb9',
  onSpruce: '#10201b',
  spruceWash: '#2a3d36',
  clay: '#f0a37c',
  onClay: '#2a120a',
  clayWash: '#4a2c1e',
  brass: '#e2bd6c',
  brassWash: '#443719',
  limb: '#3a463f',
};

/** Full sun: nothing but black, white and what is pressed. */
export const SUN: Palette = {
  paper: '#ffffff',
  sheet: '#ffffff',
  ink: '#000000',
  soft: '#1c1c1c',
  line: '#000000',
  spruce: '#000000',
  onSpruce: '#ffffff',
  spruceWash: '#e2e2e2',
  clay: '#7a1f00',
  onClay: '#ffffff',
  clayWash: '#ffe3d3',
  brass: '#3d2a00',
  brassWash: '#ffeeb8',
  limb: '#d2d2d2',
};

export const TEXT_FONT = 'Barlow';
export const NUMBER_FONT = 'Barlow Condensed';
/** Spacing in px: multiples of four. */
export const SPACE = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;
export const TARGET = 48;
export const RADIUS = 6;
/** From this width on two panes stand side by side. */
export const WIDE = 900;

const fonts = configureFonts({ config: { fontFamily: TEXT_FONT } });
for (const key of [
  'displayLarge',
  'displayMedium',
  'displaySmall',
  'headlineLarge',
  'headlineMedium',
  'headlineSmall',
  'titleLarge',
  'titleMedium',
] as const)
  fonts[key] = { ...fonts[key], fontWeight: '600', letterSpacing: 0 };
fonts.headlineSmall = { ...fonts.headlineSmall, fontSize: 22, lineHeight: 28 };
fonts.titleMedium = { ...fonts.titleMedium, fontSize: 17, lineHeight: 23 };
for (const key of ['bodyLarge', 'bodyMedium', 'bodySmall', 'labelLarge', 'labelMedium', 'labelSmall'] as const)
  fonts[key] = { ...fonts[key], letterSpacing: 0.1 };
fonts.labelLarge = { ...fonts.labelLarge, fontSize: 16, lineHeight: 20, fontWeight: '600' };
fonts.bodyMedium = { ...fonts.bodyMedium, fontSize: 15, lineHeight: 21 };
fonts.bodySmall = { ...fonts.bodySmall, fontSize: 13, lineHeight: 18 };

export interface AppTheme extends MD3Theme {
  readonly palette: Palette;
}

/** Share by which large text is larger. */
const LARGE = 1.3;
const larger = (of: typeof fonts): typeof fonts =>
  Object.fromEntries(
    Object.entries(of).map(([name, font]) => [
      name,
      'fontSize' in font ? { ...font, fontSize: LARGE * font.fontSize, lineHeight: LARGE * font.lineHeight } : font,
    ]),
  ) as typeof fonts;
const largeFonts = larger(fonts);

function themeFrom(base: MD3Theme, p: Palette, set = fonts): AppTheme {
  return {
    ...base,
    roundness: 1.5,
    fonts: set,
    palette: p,
    colors: {
      ...base.colors,
      primary: p.spruce,
      onPrimary: p.onSpruce,
      primaryContainer: p.spruceWash,
      onPrimaryContainer: p.ink,
      secondary: p.brass,
      onSecondary: p.sheet,
      secondaryContainer: p.brassWash,
      onSecondaryContainer: p.ink,
      tertiary: p.clay,
      onTertiary: p.onClay,
      tertiaryContainer: p.clayWash,
      onTertiaryContainer: p.ink,
      error: p.clay,
      onError: p.onClay,
      errorContainer: p.clayWash,
      onErrorContainer: p.ink,
      background: p.paper,
      onBackground: p.ink,
      surface: p.sheet,
      onSurface: p.ink,
      surfaceVariant: p.spruceWash,
      onSurfaceVariant: p.soft,
      surfaceDisabled: p.line,
      onSurfaceDisabled: p.soft,
      outline: p.line,
      outlineVariant: p.line,
      inverseSurface: p.ink,
      inverseOnSurface: p.paper,
      inversePrimary: p.spruceWash,
      shadow: '#000000',
      scrim: '#000000',
      backdrop: 'rgba(16, 24, 20, 0.5)',
      elevation: { level0: 'transparent', level1: p.sheet, level2: p.sheet, level3: p.sheet, level4: p.sheet, level5: p.sheet },
    },
  };
}

export const lightTheme = themeFrom(MD3LightTheme, LIGHT);
export const darkTheme = themeFrom(MD3DarkTheme, DARK);
const THEMES = {
  light: { usual: lightTheme, large: themeFrom(MD3LightTheme, LIGHT, largeFonts) },
  dark: { usual: darkTheme, large: themeFrom(MD3DarkTheme, DARK, largeFonts) },
  sun: { usual: themeFrom(MD3LightTheme, SUN), large: themeFrom(MD3LightTheme, SUN, largeFonts) },
};

/** The theme as a device wants it: sun goes before dark. */
export const themeFor = (wanted: { readonly dark: boolean; readonly sun: boolean; readonly large: boolean }): AppTheme =>
  THEMES[wanted.sun ? 'sun' : wanted.dark ? 'dark' : 'light'][wanted.large ? 'large' : 'usual'];

export const useAppTheme = (): AppTheme => useTheme<AppTheme>();
export const usePalette = (): Palette => useAppTheme().palette;
