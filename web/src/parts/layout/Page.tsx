import { useEffect, type ReactNode } from 'react';
import styles from './Page.module.css';

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
  useEffect(() => {
    document.title = `${title} · Calm Tray`;
  }, [title]);
  return (
    <div className={styles['page']}>
      <div className={styles['head']}>
        <div>
          <h1>{title}</h1>
          {lead && <div className={styles['lead']}>{lead}</div>}
        </div>
        {aside && <div className={styles['aside']}>{aside}</div>}
      </div>
      {children}
    </div>
  );
}
