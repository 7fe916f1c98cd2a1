import { createTheme, type Theme } from '@mui/material/styles';
import { cssVariables, dark, light, SANS } from './tokens';

/** The component library, dressed in our tokens: hairlines, radius 6, no shadows, little motion. */
export function makeTheme(mode: 'light' | 'dark'): Theme {
  const p = mode === 'light' ? light : dark;
  return createTheme({
    palette: {
      mode,
      primary: { main: p.primary, contrastText: p.onPrimary },
      error: { main: p.stop },
      background: { default: p.paper, paper: p.sheet },
      text: { primary: p.ink, secondary: p.quiet },
      divider: p.line,
    },
    shape: { borderRadius: 6 },
    typography: { fontFamily: SANS, fontSize: 16, button: { textTransform: 'none' } },
    transitions: { duration: { enteringScreen: 150, leavingScreen: 100 } },
    components: {
      MuiCssBaseline: { styleOverrides: { ':root': cssVariables(p) } },
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: {
        defaultProps: { disableElevation: true },
        styleOverrides: {
          root: { fontSize: 16, fontWeight: 600, minHeight: 40, paddingInline: 16 },
          sizeLarge: { minHeight: 56, fontSize: 20 },
          outlined: { borderColor: p.quiet },
        },
      },
      MuiPaper: {
        defaultProps: { elevation: 0 },
        styleOverrides: { root: { backgroundImage: 'none', border: `1px solid ${p.line}` } },
      },
      MuiToggleButton: { styleOverrides: { root: { color: p.ink, borderColor: p.quiet } } },
      MuiOutlinedInput: {
        styleOverrides: { notchedOutline: { borderColor: p.quiet } },
      },
    },
  });
}
