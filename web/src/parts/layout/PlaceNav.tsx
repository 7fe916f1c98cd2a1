import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import styles from './PlaceNav.module.css';

/** The pages of one place. */
export function PlaceNav({
  title,
  pages,
}: {
  readonly title: string;
  readonly pages: readonly { readonly to: string; readonly name: string }[];
}) {
  const nav = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    if (nav.current) centreCurrent(nav.current);
  }, [pathname]);
  return (
    <nav ref={nav} className={styles['nav']} aria-label={title}>
      {pages.map(({ to, name }) => (
        <NavLink key={to} end to={to}>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}

/** Where there is no room for all, the one that is open is seen. */
function centreCurrent(nav: HTMLElement): void {
  const current = nav.querySelector('[aria-current=page]');
  if (!current) return;
  const [around, own] = [nav.getBoundingClientRect(), current.getBoundingClientRect()];
  nav.scrollLeft += (own.left + own.right - around.left - around.right) / 2;
}
