import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useMemo, type ReactNode } from 'react';
import { useAppSelector } from '../../state/store';
import { makeTheme } from './theme';

/** Light or dark, as the person or the device wants it. */
export function Themed({ children }: { readonly children: ReactNode }) {
  const wanted = useAppSelector((state) => state.preferences.theme);
  const isDeviceDark = useMediaQuery('(prefers-color-scheme: dark)', { noSsr: true });
  const mode = wanted === 'system' ? (isDeviceDark ? 'dark' : 'light') : wanted;
  const theme = useMemo(() => makeTheme(mode), [mode]);
  return (
    <ThemeProvider theme={theme}>
      <CssBaseline enableColorScheme />
      {children}
    </ThemeProvider>
  );
}
