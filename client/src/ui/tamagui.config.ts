// Tokens of the look, as Tamagui themes: the same roles in daylight and at dusk.
import { createAnimations } from '@tamagui/animations-css';
import { createFont, createTamagui, createTokens } from '@tamagui/core';

const daylight = {
  ground: '#EDF1EA',
  paper: '#FBFCF9',
  ink: '#10201A',
  soft: '#3F4F47',
  rule: '#B9C4BA',
  wood: '#DFE7DC',
  chalk: '#1A57B0',
  kerf: '#CF3419',
  kerfText: '#B42D14',
  kerfGround: '#F7E4DE',
  onKerf: '#FFFFFF',
  onInk: '#FBFCF9',
  plum: '#7A2A70',
  ochre: '#9A6000',
  ochreText: '#7A4C00',
  slate: '#3E566A',
  dead: '#6E7573',
  deadText: '#5A615F',
  leaf: '#25703F',
};

export type Palette = { [role in keyof typeof daylight]: string };

const dusk: Palette = {
  ground: '#0E1714',
  paper: '#16221D',
  ink: '#EAF1EA',
  soft: '#B7C6BC',
  rule: '#3A4B43',
  wood: '#22332B',
  chalk: '#8DB8F7',
  kerf: '#F2674B',
  kerfText: '#FF8A70',
  kerfGround: '#3A1B14',
  onKerf: '#1B0702',
  onInk: '#0E1714',
  plum: '#DB97D2',
  ochre: '#D79B3C',
  ochreText: '#E5B263',
  slate: '#9DB8CE',
  dead: '#98A3A0',
  deadText: '#ABB5B2',
  leaf: '#6FC48C',
};

export const palettes = { daylight, dusk };

const step = { 0: 0, 1: 4, 2: 8, 3: 12, 4: 16, 5: 20, 6: 24, 8: 32, 12: 48, 14: 56, 17: 68, true: 16 };
const tokens = createTokens({
  color: daylight,
  space: step,
  size: step,
  radius: { 0: 0, 1: 3, true: 3 },
  zIndex: { 0: 0, 1: 100, 2: 200 },
});

// Type in rem, so that it follows the reader's own text size.
const POINTS = [14, 15, 16, 17, 18, 19, 22, 24, 28, 32, 44, 72, 104] as const;
type SizeKey = (typeof POINTS)[number] | 'true';
const inRem = (factor: number) =>
  Object.fromEntries(
    [...POINTS.map((px) => [px, px]), ['true', 17]].map(([key, px]) => [
      key,
      `${(Number(px) * factor) / 16}rem`,
    ]),
  ) as unknown as Record<SizeKey, number>;
const text = createFont({
  family: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif',
  size: inRem(1),
  lineHeight: inRem(1.4),
  weight: { true: '400', 6: '600' },
  letterSpacing: { true: 0 },
});
const display = createFont({
  family: '"Barlow Condensed", "Arial Narrow", sans-serif',
  size: inRem(1),
  lineHeight: inRem(1.12),
  weight: { true: '600' },
  letterSpacing: { true: 0 },
});

export const config = createTamagui({
  tokens,
  // Tamagui writes the rules of these two names only
  themes: { light: daylight, dark: dusk },
  fonts: { body: text, heading: display },
  animations: createAnimations({ quick: 'ease-out 150ms' }),
  media: { wide: { minWidth: 1024 }, narrow: { maxWidth: 359 } },
  settings: { onlyAllowShorthands: false, defaultFont: 'body', disableSSR: true },
});

type AppConfig = typeof config;
declare module '@tamagui/core' {
  interface TamaguiCustomConfig extends AppConfig {}
}
