import createCache, { type EmotionCache } from '@emotion/cache';
import rtlPlugin from '@mui/stylis-plugin-rtl';
import { prefixer } from 'stylis';

/** Styles of the component library, turned round for a language that is written from the right. */
export const makeRightToLeftCache = (nonce: string | undefined): EmotionCache =>
  createCache({ key: 'ctr', stylisPlugins: [prefixer, rtlPlugin], ...(nonce && { nonce }) });
