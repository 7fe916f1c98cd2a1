import { useEffect, useRef, type ReactNode } from 'react';
import styles from './Page.module.css';

/** The page that was opened first keeps the browser's own focus. */
let hasOpened = false;

/** Brings the keyboard and screen readers to a page's title when somebody has gone there. */
function useFocusOnTitle() {
  const title = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    const isInPage = document.activeElement?.closest('main, [role=dialog]') ?? null;
    const isOnAnotherPage = isInPage === null || document.activeElement === isInPage;
    if (hasOpened && isOnAnotherPage) title.current?.focus({ preventScroll: true });
    hasOpened = true;
  }, []);
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
