import { useEffect, useLayoutEffect, useRef, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { HelpButton } from './HelpContext';
import styles from './Page.module.css';

/** The title that came last; the page that was opened first keeps the browser's own focus. */
let last: {
  readonly address: string;
  readonly isWaiting: boolean;
  readonly hadFocus: boolean;
} | null = null;

/** Brings the keyboard and screen readers to a page's title when somebody has gone there. */
function useFocusOnTitle(isWaiting: boolean) {
  const title = useRef<HTMLHeadingElement>(null);
  const { pathname } = useLocation();
  useLayoutEffect(() => {
    const on = document.activeElement;
    const hasArrived = last !== null && last.address !== pathname;
    // What stood in for the page had the focus, and is gone with it.
    const takesOver = last?.isWaiting === true && last.hadFocus && (!on || on === document.body);
    // A field that a page opens with, and a dialog over it, keep what they have taken.
    const isTaken = on?.closest('[role=dialog], input, textarea') ?? null;
    const isTaking = (hasArrived || takesOver) && isTaken === null;
    if (isTaking) title.current?.focus({ preventScroll: true });
    last = { address: pathname, isWaiting, hadFocus: isTaking };
  }, [pathname, isWaiting]);
  return title;
}

/** A page: its title, what stands beside it, and its one main thing. */
export function Page({
  title,
  lead,
  aside,
  isWaiting = false,
  children,
}: {
  readonly title: string;
  readonly lead?: ReactNode;
  readonly aside?: ReactNode;
  /** Whether this only stands in for a page that is on its way. */
  readonly isWaiting?: boolean;
  readonly children: ReactNode;
}) {
  const heading = useFocusOnTitle(isWaiting);
  useEffect(() => {
    document.title = `${title} · Calm Tray`;
  }, [title]);
  return (
    <div className={styles['page']} aria-busy={isWaiting}>
      <div className={styles['head']}>
        <div className={styles['words']}>
          <div>
            <h1 ref={heading} tabIndex={-1}>
              {title}
            </h1>
            {lead && <div className={styles['lead']}>{lead}</div>}
          </div>
          {aside && <div className={styles['aside']}>{aside}</div>}
        </div>
        <div className={styles['help']}>
          <HelpButton />
        </div>
      </div>
      {children}
    </div>
  );
}
