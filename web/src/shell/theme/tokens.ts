/** The colours by their role; both themes have the same roles. */
export interface Palette {
  readonly paper: string;
  readonly sheet: string;
  readonly ink: string;
  readonly quiet: string;
  readonly line: string;
  readonly primary: string;
  readonly onPrimary: string;
  readonly cold: string;
  readonly oat: string;
  readonly attention: string;
  readonly stop: string;
  /** The ring around what the keyboard is on. */
  readonly focus: string;
  /** Night on the time rail, and other quiet shading. */
  readonly shade: string;
}

export const light: Palette = {
  paper: '#F7F4EE',
  sheet: '#FFFDF9',
  ink: '#20302F',
  quiet: '#5B6A68',
  line: '#DAD3C6',
  primary: '#1E5852',
  onPrimary: '#FFFDF9',
  cold: '#4B6A88',
  oat: '#C98B3C',
  attention: '#7A3B5E',
  stop: '#9C3322',
  focus: '#1E5852',
  shade: '#ECE7DC',
};

export const dark: Palette = {
  paper: '#151C1C',
  sheet: '#1D2625',
  ink: '#EFEAE0',
  quiet: '#A6B3AF',
  line: '#394644',
  primary: '#86C4B8',
  onPrimary: '#0F1A19',
  cold: '#8FB0D0',
  oat: '#DDAA62',
  attention: '#DBA3C2',
  stop: '#EC9485',
  focus: '#EFEAE0',
  shade: '#101616',
};

/** The Latin face has no Arabic letters. */
export const SANS =
  "'Atkinson Hyperlegible Next Variable', 'Noto Sans Arabic Variable', system-ui, sans-serif";

/** The palette as CSS variables, `--paper` and so on. */
export function cssVariables(palette: Palette): Record<string, string> {
  return Object.fromEntries(
    Object.entries(palette).map(([role, colour]) => [
      `--${role.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`,
      colour,
    ]),
  );
}
