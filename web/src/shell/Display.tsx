import { STANDARD_CURRENCY, STANDARD_DISPLAY, type DisplayPreferences } from '@calm/contract';
import { makeFormats } from '@calm/domain';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { FormatsContext } from '../parts/format/useFormats';
import { useBookQuery, useSessionQuery } from '../state/api/api';
import { useHouse } from '../state/board/useBoard';
import { useChangePreferencesMutation } from '../state/api/sessionApi';
import { displayed, earlierDisplay } from '../state/display';
import { useAppDispatch, useAppSelector } from '../state/store';
import { sayAgain, setLanguage, speakWith } from '../words';
import { directionOf } from '../words/direction';

/** Numbers, units and times of everything inside as the page reads now, in the house's zone and currency. */
export function HouseFormats({ children }: { readonly children: ReactNode }) {
  const house = useHouse();
  const { data: book } = useBookQuery(house);
  const display = useAppSelector((state) => state.display);
  const timeZone = book?.house.timeZone ?? 'UTC';
  const currency = book?.house.settings.currency ?? STANDARD_CURRENCY;
  // Sentences are said while this renders its children: their numbers have to be the same ones by then.
  const formats = useMemo(
    () => speakWith(makeFormats({ ...display, timeZone, currency })),
    [display, timeZone, currency],
  );
  useEffect(sayAgain, [formats]);
  return <FormatsContext.Provider value={formats}>{children}</FormatsContext.Provider>;
}

/** Whoever is signed in reads as they said; whoever has not said, as the house does. */
export function useDisplayOfPerson(): void {
  const house = useHouse();
  const { data: session } = useSessionQuery(house);
  const { data: book } = useBookQuery(house, { skip: !session });
  const dispatch = useAppDispatch();
  const now = useAppSelector((state) => state.display);
  const said =
    session && book
      ? (session.preferences ?? book.house.settings.display ?? STANDARD_DISPLAY)
      : null;
  // What was said to an earlier version says nothing of what came later.
  const wanted = useMemo<DisplayPreferences | null>(
    () => said && { ...STANDARD_DISPLAY, ...said },
    [said],
  );
  const [changePreferences] = useChangePreferencesMutation();
  const hasSaid = session?.preferences !== null;
  useEffect(() => {
    // What an earlier version kept on the device goes to whoever signs in first.
    const earlier = earlierDisplay();
    if (!wanted || hasSaid || !earlier) return;
    void changePreferences({ house, preferences: { ...wanted, ...earlier } });
  }, [wanted, hasSaid, house, changePreferences]);
  useEffect(() => {
    if (wanted && JSON.stringify(wanted) !== JSON.stringify(now)) dispatch(displayed(wanted));
  }, [wanted, now, dispatch]);
}

/** Goes over to the page's language; until its words are here the page stays in the one before. */
export function useLanguage(): { readonly direction: 'ltr' | 'rtl' } {
  const { language } = useAppSelector((state) => state.display);
  const [shown, setShown] = useState(language);
  useEffect(() => {
    let isCurrent = true;
    void setLanguage(language).then(() => isCurrent && setShown(language));
    return () => {
      isCurrent = false;
    };
  }, [language]);
  const direction = directionOf(shown);
  useEffect(() => {
    document.documentElement.lang = shown;
    document.documentElement.dir = direction;
  }, [shown, direction]);
  return { direction };
}
