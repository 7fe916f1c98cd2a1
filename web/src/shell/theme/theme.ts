import type {} from '@mui/x-date-pickers/themeAugmentation';
import { createTheme, type Theme } from '@mui/material/styles';
import { cssVariables, dark, light, SANS, type Palette } from './tokens';

/** The attribute of the document that says which colours it has. */
const SCHEME = '[data-scheme="%s"]';

const paletteOf = (p: Palette) => ({
  primary: { main: p.primary, contrastText: p.onPrimary },
  error: { main: p.stop },
  background: { default: p.paper, paper: p.sheet },
  text: { primary: p.ink, secondary: p.quiet },
  divider: p.line,
});

/** A field's name above it, of what it is inside: the library's own would be under 14 px. */
const LABEL = '0.8em';

/** The least that a hand has to hit; see `base.css`. */
const TARGET = 'var(--target)';

/** Always seen, on every kind of button, tab and toggle. */
const FOCUS = { outline: '3px solid var(--focus)', outlineOffset: 2 } as const;

/** On a phone the buttons of a group may need a second row, so that each has all of its edges. */
const APART_ON_A_PHONE = {
  '@media (max-width: 599px)': {
    gap: 4,
    '& .MuiToggleButton-root.MuiToggleButtonGroup-grouped': {
      margin: 0,
      border: '1px solid var(--quiet)',
      borderRadius: 6,
    },
  },
} as const;

/** A dialog that has just come up has the focus itself, so that its name is read out, unless a field in it has. */
function focusOn(around: HTMLElement): void {
  if (document.activeElement !== around) return;
  around.querySelector<HTMLElement>('[role=dialog]')?.focus({ preventScroll: true });
}

/** The component library, dressed in our tokens: hairlines, radius 6, no shadows, little motion. */
export function makeTheme(direction: 'ltr' | 'rtl'): Theme {
  return createTheme({
    direction,
    cssVariables: { colorSchemeSelector: SCHEME },
    colorSchemes: { light: { palette: paletteOf(light) }, dark: { palette: paletteOf(dark) } },
    shape: { borderRadius: 6 },
    typography: {
      fontFamily: SANS,
      fontSize: 16,
      button: { textTransform: 'none' },
      caption: { fontSize: 14 },
    },
    transitions: { duration: { enteringScreen: 150, leavingScreen: 100 } },
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          ':root': cssVariables(light),
          [SCHEME.replace('%s', 'dark')]: cssVariables(dark),
        },
      },
      MuiButtonBase: {
        defaultProps: { disableRipple: true },
        styleOverrides: { root: { '&.Mui-focusVisible, &:focus-visible': FOCUS } },
      },
      MuiButton: {
        defaultProps: { disableElevation: true },
        styleOverrides: {
          root: { fontSize: 16, fontWeight: 600, minHeight: TARGET, paddingInline: 16 },
          sizeLarge: { minHeight: 56, fontSize: 20 },
          outlined: { borderColor: 'var(--quiet)' },
        },
      },
      MuiIconButton: { styleOverrides: { root: { minWidth: TARGET, minHeight: TARGET } } },
      MuiInputBase: { styleOverrides: { root: { minHeight: TARGET } } },
      MuiDialog: {
        defaultProps: {
          slotProps: { paper: { tabIndex: -1 }, transition: { onEntered: focusOn } },
        },
        styleOverrides: { paper: { '&:focus': { outline: 'none' } } },
      },
      MuiPaper: {
        defaultProps: { elevation: 0 },
        styleOverrides: { root: { backgroundImage: 'none', border: '1px solid var(--line)' } },
      },
      MuiToggleButton: {
        styleOverrides: {
          root: { minHeight: TARGET, color: 'var(--ink)', borderColor: 'var(--quiet)' },
        },
      },
      MuiToggleButtonGroup: { styleOverrides: { root: { flexWrap: 'wrap', ...APART_ON_A_PHONE } } },
      MuiOutlinedInput: {
        styleOverrides: {
          notchedOutline: { borderColor: 'var(--quiet)', '& legend': { fontSize: LABEL } },
        },
      },
      MuiPickersOutlinedInput: {
        styleOverrides: { notchedOutline: { '& legend': { fontSize: LABEL } } },
      },
      MuiTooltip: { styleOverrides: { tooltip: { fontSize: 14 } } },
      MuiFormHelperText: { styleOverrides: { root: { fontSize: 14 } } },
      MuiInputLabel: {
        styleOverrides: {
          shrink: { transform: `translate(14px, -9px) scale(${parseFloat(LABEL)})` },
        },
      },
    },
  });
}
