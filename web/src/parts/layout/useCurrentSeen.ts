import { useTheme } from '@mui/material/styles';
import { useEffect, useRef, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import { useLocation } from 'react-router';

/** A list of links that has no room for all: the one that is open is brought into view. */
export function useCurrentSeen<Element extends HTMLElement>(): RefObject<Element | null> {
  const list = useRef<Element>(null);
  const { pathname } = useLocation();
  const { language } = useTranslation().i18n;
  const { direction } = useTheme();
  useEffect(() => {
    // Once the page has the letters and the direction of the language, which come one after the other.
    const frame = requestAnimationFrame(() => {
      if (list.current) centreCurrent(list.current);
    });
    return () => cancelAnimationFrame(frame);
  }, [pathname, language, direction]);
  return list;
}

function centreCurrent(list: HTMLElement): void {
  const current = list.querySelector('[aria-current=page]');
  if (!current) return;
  const [around, own] = [list.getBoundingClientRect(), current.getBoundingClientRect()];
  list.scrollLeft += (own.left + own.right - around.left - around.right) / 2;
}
