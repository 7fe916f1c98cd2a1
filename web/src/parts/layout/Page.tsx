import { useEffect, useRef, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import styles from './Page.module.css';

/** The address of the title that came last; the page that was opened first keeps the browser's own focus. */
let lastAddress: string | null = null;

/** Brings the keyboard and screen readers to a page's title when somebody has gone there. */
function useFocusOnTitle() {
  const title = useRef<HTMLHeadingElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    const on = document.activeElement;
    const hasArrived = lastAddress !== null && lastAddress !== pathname;
    lastAddress = pathname;
    // A field that a page opens with, and a dialog over it, keep what they have taken.
    const isTaken = on?.closest('[role=dialog], input, textarea') ?? null;
    if (hasArrived && isTaken === null) title.current?.focus({ preventScroll: true });
  }, [pathname]);
  return title;
}

/** A page: its title, what stands beside it, and its one main thing. */
export function Page({
  title,
  lead,
  aside,
  children,
}: {
  readonly title: string;
  readonly lead?: ReactNode;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
}) {
  const heading = useFocusOnTitle();
  useEffect(() => {
    document.title = `${title} · Calm Tray`;
  }, [title]);
  return (
    <div className={styles['page']}>
      <div className={styles['head']}>
        <div>
          <h1 ref={heading} tabIndex={-1}>
            {title}
          </h1>
          {lead && <div className={styles['lead']}>{lead}</div>}
        </div>
        {aside && <div className={styles['aside']}>{aside}</div>}
      </div>
      {children}
    </div>
  );
}
