import { STANDARD_CURRENCY, STANDARD_DISPLAY } from '@calm/contract';
import { makeFormats, type Formats } from '@calm/domain';
import { createContext, useContext } from 'react';

/** How the person who is signed in reads. */
export const FormatsContext = createContext<Formats>(
  makeFormats({ ...STANDARD_DISPLAY, currency: STANDARD_CURRENCY, timeZone: 'UTC' }),
);

/** The formats of whoever is signed in. */
export const useFormats = (): Formats => useContext(FormatsContext);
