import { NavLink } from 'react-router';
import styles from './PlaceNav.module.css';
import { useCurrentSeen } from './useCurrentSeen';

/** The pages of one place. */
export function PlaceNav({
  title,
  pages,
}: {
  readonly title: string;
  readonly pages: readonly { readonly to: string; readonly name: string }[];
}) {
  const nav = useCurrentSeen<HTMLElement>();
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
