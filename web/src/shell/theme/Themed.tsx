import createCache, { type EmotionCache } from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider, useColorScheme } from '@mui/material/styles';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { useAppSelector } from '../../state/store';
import { useLanguage } from '../Display';
import { makeTheme } from './theme';

/** The page's own nonce, which the Content-Security-Policy asks of every style. */
const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce;

const leftToRight = createCache({ key: 'ct', ...(nonce && { nonce }) });

/** The styles for a direction; what turns them round comes only with a language that needs it. */
function useStyleCache(direction: 'ltr' | 'rtl'): EmotionCache {
  const [rightToLeft, setRightToLeft] = useState<EmotionCache | null>(null);
  useEffect(() => {
    if (direction === 'ltr' || rightToLeft) return;
    void import('./rightToLeft').then(({ makeRightToLeftCache }) =>
      setRightToLeft(makeRightToLeftCache(nonce)),
    );
  }, [direction, rightToLeft]);
  return direction === 'rtl' && rightToLeft ? rightToLeft : leftToRight;
}

/** Light or dark, as the person or the device wants it, in the direction that the page is read. */
export function Themed({ children }: { readonly children: ReactNode }) {
  const { direction } = useLanguage();
  const cache = useStyleCache(direction);
  const theme = useMemo(() => makeTheme(direction), [direction]);
  const wanted = useAppSelector((state) => state.preferences.theme);
  return (
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme} defaultMode={wanted} storageManager={null} noSsr>
        <CssBaseline enableColorScheme />
        <Scheme />
        {children}
      </ThemeProvider>
    </CacheProvider>
  );
}

/** Carries what the person chose over to the component library. */
function Scheme() {
  const wanted = useAppSelector((state) => state.preferences.theme);
  const { setMode } = useColorScheme();
  useEffect(() => setMode(wanted), [wanted, setMode]);
  return null;
}
